<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

/** What a proposal does to a prescription. */
enum Change: string
{
    case Dose = 'dose';

    /** What was raised last is taken back. */
    case Back = 'back';
    case NextRung = 'next_rung';
    case PreviousRung = 'previous_rung';

    /** The corridor is not full yet: sessions go on growing by themselves. */
    case Growing = 'growing';

    /** What is prescribed was not done in full yet. */
    case NotDone = 'not_done';

    /** A step that failed before waits longer. */
    case Waiting = 'waiting';
    case HoldAtCap = 'hold_at_cap';
    case Unchanged = 'unchanged';
    case AtTop = 'at_top';
    case AtBottom = 'at_bottom';

    /** The next session asks for less inside the corridor by itself; the dose stays. */
    case WithinRange = 'within_range';

    /** Whether more would be asked. */
    public function raises(): bool
    {
        return $this === self::Dose || $this === self::NextRung;
    }
}
