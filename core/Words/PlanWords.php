<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Slot;
use Rung\Core\Catalogue\Titles;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\StartsWhen;
use Rung\Core\Record\Goal;
use Rung\Core\Stage\CleanDays;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\DaysInStage;
use Rung\Core\Stage\ExercisePain;
use Rung\Core\Stage\LoadedPain;
use Rung\Core\Stage\OutcomeBound;
use Rung\Core\Stage\OutcomeGain;
use Rung\Core\Stage\OverTest;
use Rung\Core\Stage\Provocation;
use Rung\Core\Stage\Reached;
use Rung\Core\Stage\SessionsDone;
use Rung\Core\Stage\SportSessions;
use Rung\Core\Stage\Stage;
use Rung\Core\Stage\Symmetry;
use Rung\Core\Stage\TestChange;
use Rung\Core\Stage\TestValue;

/** Says how a stage is laid out and what opens its gate. */
final class PlanWords
{
    /** "slow strength, then holds between, one a day" */
    public static function rhythm(PlanStage $planned): string
    {
        $titles = [];
        foreach ($planned->inTurn() as $slot) {
            $titles[$slot->key] = self::slot($slot);
        }
        $rhythm = $planned->rhythm;
        $first = reset($titles) ?: '';
        $beside = array_map(
            static fn(Slot $slot): string => '; beside it ' . self::beside($slot),
            array_filter($planned->slots, static fn(Slot $slot): bool => $slot->beside !== null),
        );
        if ($rhythm->cycle === null) {
            return self::spaced($first, $rhythm) . implode('', $beside);
        }
        $turns = array_map(static fn(string $key): string => $titles[$key] ?? $key, $rhythm->cycle);

        return (count(array_unique($turns)) === 1
            ? "$turns[0] every day"
            : implode(', then ', $turns) . ', one a day') . implode('', $beside);
    }

    /** "hip and calf 3 times a week, at least 2 days apart", of a kind of session that has days of its own */
    public static function beside(Slot $slot): string
    {
        return $slot->beside === null ? self::slot($slot) : self::spaced(self::slot($slot), $slot->beside);
    }

    private static function spaced(string $first, Rhythm $rhythm): string
    {
        return match (true) {
            $rhythm->every_days === 1 => "$first every day",
            $rhythm->every_days === 2 => "$first every other day",
            $rhythm->every_days !== null => "$first every $rhythm->every_days days",
            $rhythm->per_week === 1 => "$first once a week",
            default => "$first $rhythm->per_week times a week, at least $rhythm->min_gap_days days apart",
        };
    }

    /** What an exercise waits for: "begins in week 3 of the stage" */
    public static function startsWhen(StartsWhen $when, Titles $titles): string
    {
        return match (true) {
            $when->stageWeek !== null => "begins in week $when->stageWeek of the stage",
            $when->finding !== null => 'begins once this is found: ' . lcfirst($titles->wordsOf($when->finding)),
            default => 'begins once the other exercises have reached the top of their range',
        };
    }

    /** The same once it has come. */
    public static function hasCome(StartsWhen $when, Titles $titles): string
    {
        return match (true) {
            $when->stageWeek !== null => "as planned for week $when->stageWeek of the stage",
            $when->finding !== null => 'since this was found: ' . lcfirst($titles->wordsOf($when->finding)),
            default => 'since the other exercises have reached the top of their range',
        };
    }

    /** "Alone, easy: 20 min at an effort of 4 at most" */
    public static function practice(PracticeStep $step): string
    {
        return "$step->title: $step->minutes min at an effort of $step->effort at most";
    }

    /** What a criterion asks for, without looking at a case. */
    public static function criterion(Criterion $criterion): string
    {
        $within = $criterion instanceof OverTest ? $criterion->within_days ?? Criterion::TEST_WITHIN_DAYS : 0;

        return match (true) {
            $criterion instanceof DaysInStage => "$criterion->min days in the stage",
            $criterion instanceof ExercisePain => "pain in exercise at most $criterion->max for $criterion->days days",
            $criterion instanceof Provocation => "morning test at most $criterion->max for $criterion->days days",
            $criterion instanceof CleanDays => "$criterion->min days without an answer that was too much",
            $criterion instanceof Symmetry => self::plain($criterion->test) .
                " at $criterion->min_percent % of the other side, tested within $within days",
            $criterion instanceof TestValue => self::plain($criterion->test) .
                " at $criterion->min or more, tested within $within days",
            $criterion instanceof Reached => "$criterion->sets sets of " . self::set($criterion) . ' well tolerated',
            $criterion instanceof SportSessions => "$criterion->min full sessions of sport well tolerated",
            $criterion instanceof SessionsDone => "$criterion->min_percent % of what was asked done",
            $criterion instanceof OutcomeBound => self::plain($criterion->measure) .
                ($criterion->min !== null ? " at $criterion->min or more" : " at $criterion->max or less"),
            $criterion instanceof LoadedPain
                => "pain at most $criterion->max for $criterion->days days with at least $criterion->min_load_kg kg",
            $criterion instanceof TestChange => self::plain($criterion->test) .
                " better by $criterion->min_percent % than at first, tested within $within days",
            $criterion instanceof OutcomeGain => self::plain($criterion->measure) .
                " better by $criterion->min than at first",
            default => 'signed off by the practitioner',
        };
    }

    /** What each set has to reach: "10 at 40 kg", "30 s". */
    public static function set(Reached $criterion): string
    {
        $main = implode(
            ' × ',
            array_filter([
                $criterion->reps === null ? null : (string) $criterion->reps,
                $criterion->hold_s === null ? null : "$criterion->hold_s s",
            ]),
        );
        $parts = array_filter([
            $main === '' ? null : $main,
            $criterion->load_kg === null ? null : "at $criterion->load_kg kg",
            $criterion->rir_min === null ? null : "with $criterion->rir_min in reserve",
        ]);

        return $parts === [] ? 'any dose' : implode(' ', $parts);
    }

    /** "for all" or the goals for which a stage is meant. */
    public static function goals(Stage $stage): string
    {
        return $stage->goals === null
            ? 'for all'
            : 'for ' . implode(', ', array_map(static fn(Goal $goal): string => $goal->value, $stage->goals));
    }

    private static function slot(Slot $slot): string
    {
        return lcfirst($slot->name()) . ($slot->times_per_day > 1 ? " $slot->times_per_day times a day" : '');
    }

    private static function plain(?string $name): string
    {
        return strtr($name ?? '', '_', ' ');
    }
}
