<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

/** A phase of a repetition; its value is the field of {@see Tempo} that holds its seconds. */
enum Phase: string
{
    case Lift = 'lift_s';
    case Top = 'top_s';
    case Lower = 'lower_s';
    case Bottom = 'bottom_s';
}
