<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Decision\NextDose;
use Rung\Core\Decision\Work;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Number;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Strength\Strength;

/** Loads that follow from what was logged and tested, and the step that the progression would take next. */
final class Suggestions
{
    /** Kilograms: the step of a suggested load where the progression names none. */
    public const INCREMENT_KG = 1;

    private const PERCENT_A_POINT_OF_EFFORT = 10;

    /**
     * @param list<Measure> $measures of which a load may be read
     *
     * @return list<Suggestion>
     */
    public static function forPrescription(
        Prescription $prescription,
        TrainingSummary $summary,
        StructureInfo $structure,
        array $measures = [],
        bool $bothSides = false,
    ): array {
        return [
            ...self::load($prescription, $summary),
            ...self::measured($prescription, $summary, $measures, $bothSides),
            ...self::hold($prescription, $summary, $structure, $bothSides),
            ...self::next($prescription, $summary),
        ];
    }

    /** @return list<Suggestion> the load for the repetition maximum aimed at, or the maximum that the last sets suggest */
    private static function load(Prescription $prescription, TrainingSummary $summary): array
    {
        $done = $prescription->mode->isMoving() ? $summary->doneOf($prescription) : null;
        $dose = $prescription->dose;
        $body = $dose->bodyLoad($summary->bodyMassKg);
        $best = $done === null ? null : Work::bestE1rm($done->sets, $body);
        if ($best === null || $done === null) {
            return [];
        }
        if ($dose->rm === null || $dose->rm > Strength::MAX_REPS) {
            return [
                new Suggestion(
                    SuggestionKind::Maximum,
                    Number::tenth($best['kg'] - $body),
                    set: $best['set'],
                    on: $done->on,
                ),
            ];
        }
        $load = Work::loadFor(
            $done->sets,
            $dose->rm,
            $body,
            $prescription->progression?->incrementKg() ?? self::INCREMENT_KG,
        );

        return [new Suggestion(SuggestionKind::LoadForMaximum, $load, 'load_kg', $best['set'], $done->on)];
    }

    /**
     * The load that follows from a maximum, where one was measured on or after the day of the last sets.
     *
     * @param list<Measure> $measures
     *
     * @return list<Suggestion>
     */
    private static function measured(
        Prescription $prescription,
        TrainingSummary $summary,
        array $measures,
        bool $bothSides,
    ): array {
        $done = $summary->doneOf($prescription);
        $suggestions = [];
        foreach ($measures as $measure) {
            $test = $summary->tests[$measure->key] ?? null;
            if ($test instanceof StrengthTest && !($done !== null && $done->on->isAfter($test->on))) {
                $load = FromMeasure::loadKg($prescription, $measure, $test, $bothSides, $summary->bodyMassKg);
                if ($load !== null) {
                    $suggestions[] = new Suggestion(
                        SuggestionKind::LoadForMeasure,
                        $load,
                        'load_kg',
                        on: $test->on,
                        test: $test,
                        maximum: FromMeasure::followed($test, $bothSides),
                    );
                }
            }
        }

        return $suggestions;
    }

    /** @return list<Suggestion> the band of a hold at a percentage of the measured maximum, or the effort that stands in for it */
    private static function hold(
        Prescription $prescription,
        TrainingSummary $summary,
        StructureInfo $structure,
        bool $bothSides,
    ): array {
        $percent = $prescription->dose->percent_mvc;
        if ($prescription->mode !== Mode::Isometric || $percent === null) {
            return [];
        }
        $suggestions = [];
        $test = $summary->tests[$structure->strengthTest] ?? null;
        $target = $test instanceof StrengthTest ? FromMeasure::band($prescription, $test, $bothSides) : null;
        if ($target !== null && $test instanceof StrengthTest) {
            $suggestions[] = new Suggestion(
                SuggestionKind::HoldTarget,
                test: $test,
                target: $target,
                maximum: FromMeasure::followed($test, $bothSides),
            );
        }
        $suggestions[] = new Suggestion(
            SuggestionKind::Effort,
            (int) round($percent / self::PERCENT_A_POINT_OF_EFFORT),
            'effort',
        );

        return $suggestions;
    }

    /** @return list<Suggestion> */
    private static function next(Prescription $prescription, TrainingSummary $summary): array
    {
        if ($prescription->progression === null) {
            return [];
        }
        return [new Suggestion(SuggestionKind::NextStep, step: (new NextDose($summary))->progress($prescription))];
    }
}
