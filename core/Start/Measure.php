<?php

declare(strict_types=1);

namespace Rung\Core\Start;

/** What irritability is judged by, in the order in which reasons are listed. */
enum Measure: string
{
    case Rest = 'rest';
    case Test = 'test';
    case Settle = 'settle';
    case Stiffness = 'stiffness';
}
