<?php

declare(strict_types=1);

namespace Rung\Core\Start;

/** Where on the ladder of a stage to begin. */
enum RungLevel: string
{
    case Easiest = 'easiest';
    case Middle = 'middle';
}
