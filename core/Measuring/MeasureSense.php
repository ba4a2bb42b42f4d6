<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

use Rung\Core\Catalogue\MeasureKind;
use Rung\Core\Number;
use Rung\Core\Strength\ForceUnit;

/** What is asked about before a measurement counts: slips that a range of plausible values does not catch. */
final class MeasureSense
{
    /** Times the last value, or less than one in so many, from which on it is asked about. */
    private const FAR = 3;

    /** How near to another unit's factor a value must lie to be taken for it. */
    private const NEAR = 0.35;

    /**
     * @return list<string> questions in words; empty where nothing is odd
     */
    public static function questions(Measurement $measurement, MeasureCourse $course): array
    {
        $last = $course->latest()?->taken;
        $affected = $measurement->ofAffected()?->best;
        if ($last === null || $affected === null) {
            return [];
        }
        $unit = $measurement->measure->unit;
        $unaffected = $measurement->ofUnaffected()?->best;
        if (
            $unaffected !== null &&
            $last->unaffected !== null &&
            self::isSwapped($affected, $unaffected, $last->affected, $last->unaffected)
        ) {
            return [
                "The sore side is $affected and the other $unaffected $unit; the last time it was $last->affected and $last->unaffected. Are the sides swapped?",
            ];
        }
        if ($last->affected == 0 || $affected == 0) {
            return [];
        }
        $times = $affected / $last->affected;
        if ($times < self::FAR && $times > 1 / self::FAR) {
            return [];
        }
        $other = $measurement->measure->kind === MeasureKind::Force ? self::unitOf($times) : null;

        return [
            $other === null
                ? "$affected $unit, and the last time $last->affected: is that right?"
                : "$affected $unit, and the last time $last->affected: was that read in $other?",
        ];
    }

    /** Both sides changed places: each lies near to where the other was, and they were apart by more than the noise. */
    private static function isSwapped(
        int|float $affected,
        int|float $unaffected,
        int|float $wasAffected,
        int|float $wasUnaffected,
    ): bool {
        $straight = abs($affected - $wasAffected) + abs($unaffected - $wasUnaffected);
        $crossed = abs($affected - $wasUnaffected) + abs($unaffected - $wasAffected);

        return Number::over(abs($wasAffected - $wasUnaffected), 0.1 * max(abs($wasAffected), abs($wasUnaffected))) &&
            ($affected - $unaffected) * ($wasAffected - $wasUnaffected) < 0 &&
            Number::under(4 * $crossed, $straight);
    }

    private static function unitOf(float $times): ?string
    {
        foreach ([[ForceUnit::Kilogram, 'kilograms'], [ForceUnit::Pound, 'pounds']] as [$unit, $words]) {
            if (abs($times * $unit->newtons() - 1) < self::NEAR) {
                return $words;
            }
        }

        return null;
    }
}
