<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Calendar\Slot;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Irritability;
use Rung\Core\Start\Findings;
use Rung\Core\Start\Measure;
use Rung\Core\Start\RungChoice;
use Rung\Core\Start\RungLevel;
use Rung\Core\Time\Day;

/** Says in a sentence where to begin and why. */
final class StartWords
{
    /** "Medium irritability (test 4 of 10, settles in 300 min)". */
    public static function irritability(Findings $findings): string
    {
        $measured = array_map(
            static fn(Measure $measure): string => match ($measure) {
                Measure::Rest => "pain at rest $findings->rest of 10",
                Measure::Test => "test $findings->test of 10",
                Measure::Settle => "settles in $findings->settle min",
                Measure::Stiffness => "stiff for $findings->stiffness min",
            },
            $findings->reasons(),
        );
        $level = $findings->irritability();
        if ($level === Irritability::Unknown) {
            return 'Irritability not known: fewer than two of the four measures';
        }

        return ucfirst($level->value) .
            ' irritability' .
            ($measured === [] ? '' : ' (' . implode(', ', $measured) . ')');
    }

    /** How much time there is before a season, against what the programme usually takes (weeks); null where that is not known. */
    public static function season(Day $today, Day $begins, ?int $usualWeeks): string
    {
        $weeks = intdiv($begins->daysSince($today), 7);
        $time = $weeks === 1 ? '1 week' : "$weeks weeks";

        return match (true) {
            $begins->daysSince($today) < 0 => 'The season has begun: build up beside it, away from its hardest days.',
            $usualWeeks === null => "The season begins in $time.",
            $weeks < $usualWeeks
                => "The season begins in $time; this programme usually takes about $usualWeeks. What is not built by then goes on beside it, away from its hardest days.",
            default => "The season begins in $time; this programme usually takes about $usualWeeks.",
        };
    }

    /** What a try that reached the stop level asks for. */
    public static function stopped(int $pain): string
    {
        return "A try reached pain $pain of 10, the school's stop level: load nothing more today, and find out what it is before anything starts.";
    }

    /** @param list<RungChoice> $choices of the stage */
    public static function proposal(Findings $findings, PlanStage $planned, RungLevel $level, array $choices): string
    {
        $main = $choices[0] ?? null;
        $dose = $main?->exercise->dose;
        $words = [lcfirst($planned->stage->title), $main?->tried === null ? "$level->value rung" : 'by what was tried'];
        if ($main !== null) {
            $words[] = lcfirst($main->exercise->title);
            $words[] = DoseWords::limbs(
                $planned->stage->prescription($main->prescription->key)->limbs ?? $main->exercise->limbs,
            );
            if ($dose?->range !== null) {
                $words[] = "range {$dose->range->from_deg}–{$dose->range->to_deg}°";
            }
        }
        $between = array_slice(
            array_map(static fn(Slot $slot): string => lcfirst($slot->name()), $planned->inTurn()),
            1,
        );
        $trains = self::days($findings->trainingDaysPerWeek);

        return self::irritability($findings) .
            ", $trains" .
            ($findings->test === null || in_array(Measure::Test, $findings->reasons(), true)
                ? ''
                : ", test $findings->test of 10") .
            ': begin at ' .
            implode(', ', $words) .
            ($between === [] ? '' : '; ' . implode(', ', $between)) .
            '.';
    }

    private static function days(int|float $days): string
    {
        return $days == 0 ? 'does not train now' : "trains $days " . ($days == 1 ? 'day' : 'days') . ' a week';
    }
}
