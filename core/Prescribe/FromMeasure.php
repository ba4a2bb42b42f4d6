<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Catalogue\Measure;
use Rung\Core\Decision\Work;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Strength\Strength;

/** What a measured maximum says about the loads of a stage (docs/rules.md, "What follows from a measure"). */
final class FromMeasure
{
    /**
     * The load for the repetitions that a dose asks, those in reserve included, in kilograms on the bar; null where the
     * measure is not of this exercise, or the dose says neither a repetition maximum nor a reserve.
     */
    public static function loadKg(
        Prescription $prescription,
        Measure $measure,
        StrengthTest $test,
        bool $bothSides,
        int|float|null $bodyMassKg,
    ): int|float|null {
        $reps = self::reps($prescription->dose);
        if (
            !$prescription->mode->isMoving() ||
            $reps === null ||
            !in_array($prescription->exercise, $measure->exercises, true)
        ) {
            return null;
        }
        $body = $prescription->dose->bodyLoad($bodyMassKg);

        return Work::onBar(
            Strength::loadFor(self::followed($test, $bothSides) + $body, $reps),
            $body,
            $prescription->progression?->incrementKg() ?? Suggestions::INCREMENT_KG,
        );
    }

    /**
     * The force of a hold at its share of the maximum of the structure, in the unit of the test; null where it is no such hold.
     *
     * @return array{value: int|float, low: int|float, high: int|float}|null
     */
    public static function band(Prescription $prescription, StrengthTest $test, bool $bothSides): ?array
    {
        $percent = $prescription->dose->percent_mvc;
        $maximum = self::followed($test, $bothSides);

        return $prescription->mode !== Mode::Isometric || $percent === null || $maximum <= 0
            ? null
            : array_map(Number::tenth(...), Strength::holdTarget($maximum, $percent));
    }

    /** What counts of a test: the sore side, the weaker one where both are affected. */
    public static function followed(StrengthTest $test, bool $bothSides): int|float
    {
        return $bothSides ? min($test->affected, $test->unaffected) : $test->affected;
    }

    private static function reps(Dose $dose): ?int
    {
        $reps = $dose->rm ?? ($dose->rir === null ? null : ($dose->reps_to ?? $dose->reps) + $dose->rir);

        return $reps === null || $reps < 1 || $reps > Strength::MAX_REPS ? null : $reps;
    }
}
