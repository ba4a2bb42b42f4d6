<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Gate\CriterionOutlook;
use Rung\Core\Number;
use Rung\Core\Stage\CleanDays;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\DaysInStage;
use Rung\Core\Stage\ExercisePain;
use Rung\Core\Stage\LoadedPain;
use Rung\Core\Stage\OutcomeBound;
use Rung\Core\Stage\OutcomeGain;
use Rung\Core\Stage\Provocation;
use Rung\Core\Stage\Reached;
use Rung\Core\Stage\SessionsDone;
use Rung\Core\Stage\SportSessions;
use Rung\Core\Stage\Symmetry;
use Rung\Core\Stage\TestChange;
use Rung\Core\Stage\TestValue;

/** Says how the criteria of a gate stand, and how far each is from being met. */
final class GateWords
{
    /** A criterion with its value and what is needed, units included. */
    public static function criterion(CriterionResult $result): string
    {
        $criterion = $result->criterion;
        $value = $result->value === null ? 'no value yet' : (string) Number::tenth($result->value);
        $need = (string) $criterion->needed();
        $words = match (true) {
            $criterion instanceof DaysInStage => self::count($value, 'day') . " in the stage, at least $need",
            $criterion instanceof ExercisePain
                => "worst pain in exercise over {$criterion->days} days: $value, at most $need",
            $criterion instanceof Provocation
                => "worst morning test over {$criterion->days} days: $value, at most $need",
            $criterion instanceof CleanDays => self::count($value, 'day') .
                " without too strong an answer, at least $need",
            $criterion instanceof Symmetry => 'symmetry of ' .
                self::plain($criterion->test) .
                ": $value %, at least $need %",
            $criterion instanceof TestValue => self::plain($criterion->test) . ": $value, at least $need",
            $criterion instanceof Reached => 'sets of ' .
                PlanWords::set($criterion) .
                " well tolerated: $value, at least $need",
            $criterion instanceof SportSessions => self::count($value, 'full practice') .
                " well tolerated, at least $need",
            $criterion instanceof SessionsDone => "$value % of planned sessions done, at least $need %",
            $criterion instanceof OutcomeBound => self::plain($criterion->measure) .
                ": $value, " .
                ($criterion->min === null ? 'at most' : 'at least') .
                " $need",
            $criterion instanceof LoadedPain
                => "worst pain with at least {$criterion->min_load_kg} kg over {$criterion->days} days: $value, at most $need",
            $criterion instanceof TestChange => self::plain($criterion->test) .
                " since the first test: $value %, at least $need %",
            $criterion instanceof OutcomeGain => self::plain($criterion->measure) .
                ": better by $value, at least $need",
            default => $result->state === CriterionState::Met
                ? 'signed off by you'
                : 'waits for your sign-off of technique',
        };

        return $result->state === CriterionState::NoData && $result->value !== null
            ? "$words (too few readings)"
            : $words;
    }

    /** How far a criterion is from being met, and what has to happen; null where it is met. */
    public static function distance(CriterionOutlook $outlook): ?string
    {
        if ($outlook->result->state === CriterionState::Met) {
            return null;
        }
        $criterion = $outlook->result->criterion;
        $short = $outlook->distance();
        $far = $short === null ? '' : (string) Number::tenth($short);

        return match (true) {
            $criterion instanceof DaysInStage, $criterion instanceof CleanDays => $outlook->result->state ===
            CriterionState::NoData
                ? 'too few judged sessions yet'
                : self::count($far, 'day') . ' to go',
            $criterion instanceof ExercisePain,
            $criterion instanceof Provocation,
            $criterion instanceof LoadedPain
                => match (true) {
                $short === null => 'no reading yet',
                $outlook->result->state === CriterionState::NoData => 'too few readings yet',
                default => self::count($far, 'point') . ' over',
            },
            $criterion instanceof Symmetry => $short === null
                ? 'needs a test of both sides'
                : "$far % short, then a new test",
            $criterion instanceof TestValue => $short === null ? 'needs a test' : "$far short, then a new test",
            $criterion instanceof Reached => $short === null
                ? 'not done and well tolerated yet'
                : self::count($far, 'set') . ' short',
            $criterion instanceof SportSessions => self::count($far, 'session') . ' to go',
            $criterion instanceof SessionsDone => $short === null ? 'nothing was due yet' : "$far % short",
            $criterion instanceof OutcomeBound => $short === null ? 'needs a score' : "$far short, then a new score",
            $criterion instanceof TestChange => $short === null
                ? 'needs a first test and a recent one'
                : "$far % short, then a new test",
            $criterion instanceof OutcomeGain => $short === null
                ? 'needs a first score and a later one'
                : "$far short, then a new score",
            default => 'yours to give',
        };
    }

    private static function count(int|string $number, string $what): string
    {
        return "$number $what" . ((string) $number === '1' ? '' : 's');
    }

    private static function plain(?string $key): string
    {
        return strtr((string) $key, '_', ' ');
    }
}
