<?php

declare(strict_types=1);

namespace Rung\Core\Response;

/** Why a verdict was given, in the order in which reasons are listed; a stop sign is listed as sign:<sign>. */
enum VerdictReason: string
{
    case PainAtStopLevel = 'pain_at_stop_level';
    case DuringOverMax = 'during_over_max';
    case SlowToSettle = 'slow_to_settle';
    case NextDayOverMax = 'next_day_over_max';
    case NextDayRise = 'next_day_rise';
    case StiffnessRise = 'stiffness_rise';
    case NightAche = 'night_ache';
    case SecondDayRise = 'second_day_rise';
    case AwaitingAnswer = 'awaiting_answer';
    case NoPainLogged = 'no_pain_logged';
    case NoBaseline = 'no_baseline';
    case NoAnswer = 'no_answer';
    case SmallNextDayRise = 'small_next_day_rise';
    case ExercisePainRise = 'exercise_pain_rise';
    case RetestWorse = 'retest_worse';
    case BelowTargetPain = 'below_target_pain';
}
