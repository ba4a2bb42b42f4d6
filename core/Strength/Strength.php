<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

use InvalidArgumentException;
use Rung\Core\Dose\Dose;
use Rung\Core\Number;

/** Strength arithmetic, unrounded unless said (docs/rules.md, "Strength arithmetic"). */
final class Strength
{
    /** Repetitions, those left in reserve included, beyond which an estimate means nothing. */
    public const MAX_REPS = Dose::MAX_RM;

    /** Half the width of the band to stay in during a hold, in percentage points of MVC. */
    private const HOLD_BAND_PERCENT = 5;

    /**
     * Estimated one-repetition maximum in kilograms.
     *
     * @param int $rir repetitions left in reserve
     *
     * @throws InvalidArgumentException where reps + rir lies outside 1–20
     */
    public static function e1rm(int|float $loadKg, int $reps, int $rir = 0): int|float
    {
        if ($reps + $rir < 1 || $reps + $rir > self::MAX_REPS) {
            throw new InvalidArgumentException('reps and rir together must be from 1 to 20');
        }

        return $reps === 1 && $rir === 0 ? $loadKg : $loadKg * (1 + ($reps + $rir) / 30);
    }

    /**
     * Kilograms for an n-repetition maximum, before any rounding to plates.
     *
     * @throws InvalidArgumentException where reps lies outside 1–20
     */
    public static function loadFor(int|float $e1rmKg, int $reps): int|float
    {
        if ($reps < 1 || $reps > self::MAX_REPS) {
            throw new InvalidArgumentException('reps must be from 1 to 20');
        }

        return $reps === 1 ? $e1rmKg : $e1rmKg / (1 + $reps / 30);
    }

    /**
     * The force to hold and the band to stay in, in the unit of `$mvc`.
     *
     * @return array{value: int|float, low: int|float, high: int|float}
     */
    public static function holdTarget(int|float $mvc, int|float $percent): array
    {
        return [
            'value' => ($percent * $mvc) / 100,
            'low' => (max(0, $percent - self::HOLD_BAND_PERCENT) * $mvc) / 100,
            'high' => (($percent + self::HOLD_BAND_PERCENT) * $mvc) / 100,
        ];
    }

    /**
     * Limb symmetry in percent. Where both sides are affected, the smaller over the larger.
     *
     * @throws InvalidArgumentException where the side divided by is 0
     */
    public static function symmetry(int|float $affected, int|float $unaffected, bool $bothAffected): int|float
    {
        [$part, $whole] = $bothAffected
            ? [min($affected, $unaffected), max($affected, $unaffected)]
            : [$affected, $unaffected];
        if ($whole == 0) {
            throw new InvalidArgumentException('unaffected must be over 0');
        }

        return (100 * $part) / $whole;
    }

    /**
     * How much more `$a` is than `$b`, in percent; also the change since a first test.
     *
     * @throws InvalidArgumentException where b is 0
     */
    public static function ratio(int|float $a, int|float $b): int|float
    {
        if ($b == 0) {
            throw new InvalidArgumentException('b must be over 0');
        }

        return (100 * ($a - $b)) / $b;
    }

    /** Kilograms lifted for each kilogram of body mass, to two decimals. */
    public static function perBodyMass(int|float $loadKg, int|float $bodyMassKg): int|float
    {
        return Number::hundredth($loadKg / $bodyMassKg);
    }
}
