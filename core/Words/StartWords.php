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

/** Says in a sentence where to begin and why. */
final class StartWords
{
    /** "Medium irritability (test 4 of 10, settles in 300 min)". */
    public static function irritability(Findings $findings): string
    {
        $told = array_map(static fn(Measure $measure): string => match ($measure) {
            Measure::Rest => "pain at rest $findings->rest of 10",
            Measure::Test => "test $findings->test of 10",
            Measure::Settle => "settles in $findings->settle min",
            Measure::Stiffness => "stiff for $findings->stiffness min",
        }, $findings->reasons());
        $level = $findings->irritability();
        if ($level === Irritability::Unknown) {
            return 'Irritability not known: fewer than two of the four measures';
        }

        return ucfirst($level->value) . ' irritability' . ($told === [] ? '' : ' (' . implode(', ', $told) . ')');
    }

    /** @param list<RungChoice> $choices of the stage */
    public static function proposal(Findings $findings, PlanStage $planned, RungLevel $level, array $choices): string
    {
        $main = $choices[0] ?? null;
        $dose = $main?->exercise->dose;
        $words = [lcfirst($planned->stage->title), "$level->value rung"];
        if ($main !== null) {
            $words[] = lcfirst($main->exercise->title);
            $words[] = DoseWords::limbs($main->exercise->limbs);
            if ($dose?->range !== null) {
                $words[] = "range {$dose->range->from_deg}–{$dose->range->to_deg}°";
            }
        }
        $between = array_slice(array_map(static fn(Slot $slot): string => lcfirst($slot->name()), $planned->slots), 1);
        $trains = self::days($findings->trainingDaysPerWeek);

        return self::irritability($findings) . ", $trains"
            . ($findings->test === null || in_array(Measure::Test, $findings->reasons(), true) ? '' : ", test $findings->test of 10")
            . ': begin at ' . implode(', ', $words)
            . ($between === [] ? '' : '; ' . implode(', ', $between)) . '.';
    }

    private static function days(int|float $days): string
    {
        return $days == 0 ? 'does not train now' : "trains $days " . ($days == 1 ? 'day' : 'days') . ' a week';
    }
}
