<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use DateTimeZone;
use Sabre\VObject\Component\VCalendar;

/** The rules of a time zone as a calendar file states them (RFC 5545, VTIMEZONE), over the year before and the two after. */
final class TimezonePart
{
    public static function add(VCalendar $calendar, string $zone): void
    {
        $now = CarbonImmutable::now();
        $transitions = (new DateTimeZone($zone))->getTransitions(
            $now->subYear()->getTimestamp(),
            $now->addYears(2)->getTimestamp(),
        );
        $part = $calendar->createComponent('VTIMEZONE', ['TZID' => $zone]);
        $before = $transitions[0]['offset'] ?? 0;
        foreach ($transitions as $transition) {
            $part->add(
                $calendar->createComponent($transition['isdst'] ? 'DAYLIGHT' : 'STANDARD', [
                    // By the clock as it stood before.
                    'DTSTART' => gmdate('Ymd\THis', $transition['ts'] + $before),
                    'TZOFFSETFROM' => self::offset($before),
                    'TZOFFSETTO' => self::offset($transition['offset']),
                    'TZNAME' => $transition['abbr'],
                ]),
            );
            $before = $transition['offset'];
        }
        $calendar->add($part);
    }

    private static function offset(int $seconds): string
    {
        return ($seconds < 0 ? '-' : '+') . gmdate('Hi', abs($seconds));
    }
}
