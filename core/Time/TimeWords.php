<?php

declare(strict_types=1);

namespace Rung\Core\Time;

use Rung\Core\Number;

/** Says days and spans of time as people do. */
final class TimeWords
{
    private const WEEKDAYS = [1 => 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

    private const MONTHS = [1 => 'Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

    private const HOUR_MIN = 60;

    private const DAY_MIN = 1440;

    /** "Tue 14 Apr" */
    public static function day(Day $day): string
    {
        [, $month, $date] = array_map(intval(...), explode('-', $day->toIso()));

        return self::WEEKDAYS[$day->weekday()] . " $date " . self::MONTHS[$month];
    }

    /** Minutes as "75 min", "2 h", "a day", "2 days": whole hours and days where they are whole. */
    public static function minutes(int|float $minutes): string
    {
        return match (true) {
            $minutes == self::DAY_MIN => 'a day',
            $minutes > self::DAY_MIN && fmod($minutes, self::DAY_MIN) == 0 => $minutes / self::DAY_MIN . ' days',
            $minutes >= 2 * self::HOUR_MIN && fmod($minutes, self::HOUR_MIN) == 0 => $minutes / self::HOUR_MIN . ' h',
            default => Number::tenth($minutes) . ' min',
        };
    }
}
