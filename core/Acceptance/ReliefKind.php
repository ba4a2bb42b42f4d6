<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

/** What may help at once where an exercise hurts more than its limit (docs/rules.md, "Over the limit in a session"). */
enum ReliefKind: string
{
    /** Stop just before the point where it hurts. */
    case ShorterRange = 'shorter_range';
    /** Press or hold less hard. */
    case LessHard = 'less_hard';
    case FewerSets = 'fewer_sets';
    /** The rung below on the athlete's own ladder. */
    case EasierRung = 'easier_rung';
    case LeaveOut = 'leave_out';
}
