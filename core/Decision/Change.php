<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

/** What a proposal does to a prescription. */
enum Change: string
{
    case Dose = 'dose';
    case NextRung = 'next_rung';
    case PreviousRung = 'previous_rung';
    case HoldAtCap = 'hold_at_cap';
    case Unchanged = 'unchanged';
}
