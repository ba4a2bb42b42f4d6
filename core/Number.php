<?php

declare(strict_types=1);

namespace Rung\Core;

/**
 * Rounding and comparison as docs/rules.md, "Conventions", asks: results are rounded half away
 * from zero when shown, comparisons use the unrounded value, and a value within 1e-9 of a limit
 * or of a multiple counts as on it.
 */
final class Number
{
    private const TOLERANCE = 1e-9;

    public static function atLeast(float|int $value, float|int $limit): bool
    {
        return $value >= $limit - self::TOLERANCE;
    }

    public static function atMost(float|int $value, float|int $limit): bool
    {
        return $value <= $limit + self::TOLERANCE;
    }

    public static function over(float|int $value, float|int $limit): bool
    {
        return $value > $limit + self::TOLERANCE;
    }

    public static function under(float|int $value, float|int $limit): bool
    {
        return $value < $limit - self::TOLERANCE;
    }

    /** To one decimal place, halves away from zero; whole numbers stay whole numbers. */
    public static function tenth(float|int $value): float|int
    {
        return self::rounded($value, 1);
    }

    /** To two decimal places, halves away from zero. */
    public static function hundredth(float|int $value): float|int
    {
        return self::rounded($value, 2);
    }

    /**
     * The greatest multiple of `$increment` (over 0) that is not above `$value`. A value within
     * 1e-9 under a multiple counts as that multiple.
     */
    public static function floorToMultiple(float|int $value, float|int $increment): float|int
    {
        return self::clean(floor($value / $increment + self::TOLERANCE) * $increment);
    }

    /** The greatest whole number not above `$value`, with the same tolerance. */
    public static function floor(float|int $value): int
    {
        return (int) floor($value + self::TOLERANCE);
    }

    /** Drops the noise of binary fractions (0.1 + 0.2), and the fraction of a whole number. */
    public static function clean(float|int $value): float|int
    {
        return self::rounded($value, 9);
    }

    /**
     * The mean of the middle two where the count is even.
     *
     * @param non-empty-list<float|int> $values
     */
    public static function median(array $values): float|int
    {
        sort($values);
        $middle = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$middle] : self::clean(($values[$middle - 1] + $values[$middle]) / 2);
    }

    private static function rounded(float|int $value, int $places): float|int
    {
        if (is_int($value)) {
            return $value;
        }
        $rounded = round($value, $places);

        return $rounded === floor($rounded) && abs($rounded) < 1e15 ? (int) $rounded : $rounded;
    }
}
