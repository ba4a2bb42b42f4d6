<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

/** Why an action is proposed. */
enum ActionReason: string
{
    case UnclearedStop = 'uncleared_stop';
    case LongBreak = 'long_break';
    case NoRecentAnswers = 'no_recent_answers';
    case AnswersMissing = 'answers_missing';
    case AlreadyEased = 'already_eased';
    case SportOver = 'sport_over';
    case TwoOver = 'two_over';
    case OneOver = 'one_over';
    case TwoWatch = 'two_watch';
    case Creeping = 'creeping';
    case SmallRise = 'small_rise';
    case GateOpen = 'gate_open';
    case TooFewSettled = 'too_few_settled';
    case AlreadyAdded = 'already_added';
    case BelowTargetPain = 'below_target_pain';
    case SettledRun = 'settled_run';
    case RecentStop = 'recent_stop';
    case StaleAnswers = 'stale_answers';
    case TestOverLimit = 'test_over_limit';
    case CreepingTwoWeeks = 'creeping_two_weeks';
    case CreepingBaseline = 'creeping_baseline';
    case Growing = 'growing';
    case NotDone = 'not_done';
    case FailedBefore = 'failed_before';
    case HeldAtCap = 'held_at_cap';
    case NothingToRaise = 'nothing_to_raise';
    case TryAgain = 'try_again';

    /** The programme is finished, and its doses are kept up; never given for a case file, which has no finished programme. */
    case Maintained = 'maintained';

    /** They were kept up for as long as was agreed. */
    case MaintenanceOver = 'maintenance_over';
}
