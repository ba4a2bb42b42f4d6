<?php

declare(strict_types=1);

namespace Rung\Core\Start;

/** What irritability is read from, in the order in which reasons are told. */
enum Measure: string
{
    case Rest = 'rest';
    case Test = 'test';
    case Settle = 'settle';
    case Stiffness = 'stiffness';
}
