<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

/** What a strength request may ask for. */
enum StrengthAsk: string
{
    case E1rm = 'e1rm';
    case LoadFor = 'load_for';
    case HoldTarget = 'hold_target';
    case Symmetry = 'symmetry';
    case Ratio = 'ratio';
    case PerBodyMass = 'per_body_mass';
    case Curve = 'curve';
    case Tries = 'tries';
}
