<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

/** The phase with which a repetition begins. */
enum Starts: string
{
    case Lift = 'lift';
    case Lower = 'lower';
}
