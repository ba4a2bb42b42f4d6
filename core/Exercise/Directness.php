<?php

declare(strict_types=1);

namespace Rung\Core\Exercise;

/** How directly an exercise loads a structure. */
enum Directness: string
{
    case Target = 'target';
    case Shared = 'shared';
    case Slight = 'slight';
}
