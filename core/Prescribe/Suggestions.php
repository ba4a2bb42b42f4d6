<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\NextDose;
use Rung\Core\Decision\Work;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Number;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\DoseWords;

/** Loads that follow from what was logged and tested, and the step that the progression would take next. */
final class Suggestions
{
    /** Kilograms: the step of a suggested load where the progression names none. */
    private const INCREMENT_KG = 1;

    private const PERCENT_A_POINT_OF_EFFORT = 10;

    /** @return list<Suggestion> */
    public static function of(Prescription $prescription, TrainingSummary $course, StructureInfo $structure): array
    {
        return [
            ...self::load($prescription, $course),
            ...self::hold($prescription, $course, $structure),
            ...self::next($prescription, $course),
        ];
    }

    /** @return list<Suggestion> the load for the repetition maximum aimed at, or the maximum that the last sets tell */
    private static function load(Prescription $prescription, TrainingSummary $course): array
    {
        $done = $prescription->mode->isMoving() ? $course->doneOf($prescription) : null;
        $dose = $prescription->dose;
        $body = $dose->bodyLoad($course->bodyMassKg);
        $best = $done === null ? null : Work::bestE1rm($done->sets, $body);
        if ($best === null || $done === null) {
            return [];
        }
        $from = 'by ' . self::set($best['set']) . ' on ' . TimeWords::day($done->on);
        if ($dose->rm === null || $dose->rm > Strength::MAX_REPS) {
            return [new Suggestion(null, null, '1 RM about ' . Number::tenth($best['kg'] - $body) . " kg, $from")];
        }
        $load = Work::loadFor($done->sets, $dose->rm, $body, $prescription->progression?->incrementKg() ?? self::INCREMENT_KG);

        return [new Suggestion('load_kg', $load, "$load kg is about $dose->rm RM, $from")];
    }

    /** @return list<Suggestion> the band of a hold at a percentage of the measured maximum, or the effort that stands in for it */
    private static function hold(Prescription $prescription, TrainingSummary $course, StructureInfo $structure): array
    {
        $percent = $prescription->dose->percent_mvc;
        if ($prescription->mode !== Mode::Isometric || $percent === null) {
            return [];
        }
        $told = [];
        $test = $course->tests[$structure->strengthTest->key] ?? null;
        if ($test instanceof StrengthTest && $test->affected > 0) {
            $target = array_map(Number::tenth(...), Strength::holdTarget($test->affected, $percent));
            $told[] = new Suggestion(null, null, "$percent % of $test->affected $test->unit: hold at {$target['value']} $test->unit ({$target['low']}–{$target['high']}), tested " . TimeWords::day($test->on));
        }
        $effort = (int) round($percent / self::PERCENT_A_POINT_OF_EFFORT);
        $told[] = new Suggestion('effort', $effort, "without a gauge, effort $effort of 10 stands for $percent %");

        return $told;
    }

    /** @return list<Suggestion> */
    private static function next(Prescription $prescription, TrainingSummary $course): array
    {
        if ($prescription->progression === null) {
            return [];
        }
        $step = (new NextDose($course))->progress($prescription);
        $words = match ($step->change) {
            Change::Dose => $step->dose === null ? '' : DoseWords::difference($prescription, $prescription->withDose($step->dose)),
            Change::NextRung => 'the next rung of its ladder',
            Change::HoldAtCap => 'waits: this week has grown enough',
            Change::AtTop => 'none: it is the top of its ladder and every lever is used up',
            default => 'no change this week',
        };

        return [new Suggestion(null, null, "Next step: $words")];
    }

    private static function set(LoggedSet $set): string
    {
        return "$set->reps × $set->load_kg kg" . (($set->rir ?? 0) > 0 ? " with $set->rir in reserve" : '');
    }
}
