<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Prescribe\FromMeasure;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Words\MeasureWords;

/** The force of a hold at a share of the maximum, by the latest test of the structure's strength. */
final class HeldForce
{
    /** @return array{value: int, low: int, high: int, unit: string, words: string}|null in words for the athlete, in whole newtons: nobody can hold to a tenth */
    public static function present(Prescription $prescription, Evaluation $evaluation, Catalogue $catalogue): ?array
    {
        $test = self::latest($evaluation, $catalogue);
        $band = $test === null ? null : self::band($prescription, $test, $evaluation);

        return $test === null || $band === null
            ? null
            : $band + ['unit' => $test->unit, 'words' => MeasureWords::held($prescription, $test, $band)];
    }

    /** The same as the practitioner reads it, with what it is a share of. */
    public static function words(Prescription $prescription, Evaluation $evaluation, Catalogue $catalogue): ?string
    {
        $test = self::latest($evaluation, $catalogue);
        $band = $test === null ? null : self::band($prescription, $test, $evaluation);

        return $test === null || $band === null
            ? null
            : MeasureWords::shareOf(
                $prescription,
                FromMeasure::followed($test, self::isBothSides($evaluation)),
                $test,
                $band,
            );
    }

    private static function latest(Evaluation $evaluation, Catalogue $catalogue): ?StrengthTest
    {
        $file = $evaluation->log->file;
        $key = $catalogue->structure($file->case->structure)->strengthTest;
        $tests = array_filter(
            $file->tests,
            static fn(StrengthTest $test): bool => $test->test === $key && $test->unit === 'N',
        );
        usort($tests, static fn(StrengthTest $a, StrengthTest $b): int => $a->on->number <=> $b->on->number);
        $latest = end($tests);

        return $latest === false ? null : $latest;
    }

    /** @return array{value: int, low: int, high: int}|null */
    private static function band(Prescription $prescription, StrengthTest $test, Evaluation $evaluation): ?array
    {
        $exact = FromMeasure::band($prescription, $test, self::isBothSides($evaluation));

        return $exact === null
            ? null
            : [
                'value' => (int) round($exact['value']),
                'low' => (int) round($exact['low']),
                'high' => (int) round($exact['high']),
            ];
    }

    private static function isBothSides(Evaluation $evaluation): bool
    {
        return $evaluation->log->file->case->side === Side::Both;
    }
}
