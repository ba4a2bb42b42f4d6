<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

/** What a criterion of a gate looks at. */
enum CriterionType: string
{
    case DaysInStage = 'days_in_stage';
    case ExercisePain = 'exercise_pain';
    case Provocation = 'provocation';
    case CleanDays = 'clean_days';
    case Symmetry = 'symmetry';
    case TestValue = 'test_value';
    case Reached = 'reached';
    case SportSessions = 'sport_sessions';
    case Adherence = 'adherence';
    case Outcome = 'outcome';
    case SignOff = 'sign_off';
    case LoadedPain = 'loaded_pain';
    case TestChange = 'test_change';
    case OutcomeGain = 'outcome_gain';
}
