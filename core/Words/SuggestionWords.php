<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Decision\Change;
use Rung\Core\Decision\NextStep;
use Rung\Core\Dose\Prescription;
use Rung\Core\Prescribe\Suggestion;
use Rung\Core\Prescribe\SuggestionKind;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Time\TimeWords;

/** What is suggested for a dose and what it rests on, with units. */
final class SuggestionWords
{
    public static function describe(Suggestion $suggestion, Prescription $prescription): string
    {
        $dose = $prescription->dose;
        [$value, $test, $target] = [$suggestion->value, $suggestion->test, $suggestion->target];
        $from =
            $suggestion->set === null || $suggestion->on === null
                ? ''
                : 'by ' . self::set($suggestion->set) . ' on ' . TimeWords::day($suggestion->on);

        return match ($suggestion->kind) {
            SuggestionKind::Maximum => "1 RM about $value kg, $from",
            SuggestionKind::LoadForMaximum => "$value kg is about $dose->rm RM, $from",
            SuggestionKind::LoadForMeasure => $test === null
                ? ''
                : "$value kg for " .
                    self::asked($prescription) .
                    ", by the maximum of $suggestion->maximum $test->unit measured on " .
                    TimeWords::day($test->on),
            SuggestionKind::HoldTarget => $test === null || $target === null
                ? ''
                : "$dose->percent_mvc % of $suggestion->maximum $test->unit: hold at {$target['value']} $test->unit ({$target['low']}–{$target['high']}), tested " .
                    TimeWords::day($test->on),
            SuggestionKind::Effort => "without a gauge, effort $value of 10 stands for $dose->percent_mvc %",
            SuggestionKind::NextStep => $suggestion->step === null
                ? ''
                : 'Next step: ' . self::step($suggestion->step, $prescription),
        };
    }

    private static function step(NextStep $step, Prescription $prescription): string
    {
        return match ($step->change) {
            Change::Dose => $step->dose === null
                ? ''
                : DoseWords::difference($prescription, $prescription->withDose($step->dose)),
            Change::NextRung => 'the next rung of its ladder',
            Change::HoldAtCap => 'waits: this week has grown enough',
            Change::AtTop => 'none: it is the top of its ladder and every lever is used up',
            default => 'no change this week',
        };
    }

    /** What a load is for: "8 RM", or "8 repetitions with 2 in reserve". */
    public static function asked(Prescription $prescription): string
    {
        $dose = $prescription->dose;

        return $dose->rm === null
            ? ($dose->reps_to ?? $dose->reps) . " repetitions with $dose->rir in reserve"
            : "$dose->rm RM";
    }

    private static function set(LoggedSet $set): string
    {
        return "$set->reps × $set->load_kg kg" . (($set->rir ?? 0) > 0 ? " with $set->rir in reserve" : '');
    }
}
