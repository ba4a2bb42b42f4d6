<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Property\ICalendar\DateTime as DateProperty;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\MaxInstancesExceededException;

/** Reads days from what somebody typed or pasted, a day or a span on each line, or from the text of a calendar file. */
final class CalendarText
{
    /** Days ahead within which anything can be marked. */
    public const AHEAD_DAYS = 400;

    private const LONGEST_SPAN = 60;

    /** A day without a year is one of the year 1970 here. */
    private const FIRST_YEAR = '1970';

    private const MOST_DAYS = 200;

    /** As people write a day, in this order; those without a year mean the next such day. */
    private const FORMATS = [
        'Y-m-d' => true,
        'j M Y' => true,
        'j F Y' => true,
        'j.n.Y' => true,
        'j M' => false,
        'j F' => false,
    ];

    /**
     * @return array{days: list<array{on: string, title: string}>, faults: list<string>, more: int} in order; how many were too many
     *
     * @throws InvalidInput where it is a calendar file that cannot be read
     */
    public static function read(string $text, Day $today, string $zone): array
    {
        $faults = [];
        $found = str_contains($text, 'BEGIN:VCALENDAR')
            ? self::fromCalendar($text, $today, $zone)
            : self::fromLines($text, $today, $faults);
        $days = [];
        foreach ($found as [$day, $title]) {
            if (!$today->isAfter($day) && $day->daysSince($today) <= self::AHEAD_DAYS) {
                $days[$day->number][] = $title;
            }
        }
        ksort($days);
        $marked = array_map(
            static fn(int $number, array $titles): array => [
                'on' => Day::fromNumber($number)->toIso(),
                'title' => mb_substr(implode(', ', array_unique(array_filter($titles))), 0, 120),
            ],
            array_keys($days),
            $days,
        );

        return [
            'days' => array_slice($marked, 0, self::MOST_DAYS),
            'faults' => $faults,
            'more' => max(0, count($marked) - self::MOST_DAYS),
        ];
    }

    /**
     * @return iterable<array{Day, string}>
     *
     * @throws InvalidInput
     */
    private static function fromCalendar(string $text, Day $today, string $zone): iterable
    {
        $local = new DateTimeZone($zone);
        $start = CarbonImmutable::parse($today->toIso(), $zone);
        try {
            $calendar = Reader::read($text);
            // Repeated events become single ones within what can be marked.
            $calendar =
                $calendar instanceof VCalendar
                    ? $calendar->expand(
                        $start->toDateTimeImmutable(),
                        $start->addDays(self::AHEAD_DAYS + 1)->toDateTimeImmutable(),
                        $local,
                    )
                    : null;
        } catch (ParseException | InvalidDataException | MaxInstancesExceededException) {
            $calendar = null;
        }
        if ($calendar === null) {
            throw InvalidInput::at(
                '/text',
                'looks like a calendar file, and cannot be read as one; save it again as iCalendar (.ics), or type the days, one on a line',
            );
        }
        $found = [];
        foreach ($calendar->select('VEVENT') as $event) {
            if ($event instanceof VEvent && self::text($event, 'STATUS') !== 'CANCELLED') {
                array_push($found, ...self::daysOf($event, $local));
            }
        }

        return $found;
    }

    /** @return list<array{Day, string}> each day that an event touches */
    private static function daysOf(VEvent $event, DateTimeZone $local): array
    {
        [$start, $ending] = [self::moment($event, 'DTSTART'), self::moment($event, 'DTEND')];
        if ($start === null) {
            return [];
        }
        $first = CarbonImmutable::instance($start->getDateTime($local));
        $end = match (true) {
            $ending !== null => CarbonImmutable::instance($ending->getDateTime($local)),
            default => $start->hasTime() ? $first : $first->addDay(),
        };
        // An end at midnight belongs to the day before.
        $last = $end->isAfter($first) ? $end->subSecond() : $first;
        [$day, $until] = array_map(
            static fn(CarbonImmutable $carbonImmutable): Day => Day::fromIso(
                $carbonImmutable
                    ->setTimezone($start->hasTime() ? $local : $carbonImmutable->getTimezone())
                    ->format('Y-m-d'),
            ),
            [$first, $last],
        );
        $title = self::text($event, 'SUMMARY');
        $found = [];
        for ($i = 0; $i <= min(self::LONGEST_SPAN, $until->daysSince($day)); $i++) {
            $found[] = [$day->plus($i), $title];
        }

        return $found;
    }

    private static function moment(VEvent $event, string $name): ?DateProperty
    {
        $found = $event->select($name)[0] ?? null;

        return $found instanceof DateProperty ? $found : null;
    }

    private static function text(VEvent $event, string $name): string
    {
        $found = $event->select($name)[0] ?? null;

        return $found instanceof Property ? trim((string) $found->getValue()) : '';
    }

    /**
     * @param list<string> $faults lines that name no day
     *
     * @return list<array{Day, string}>
     */
    private static function fromLines(string $text, Day $today, array &$faults): array
    {
        $found = [];
        foreach (preg_split('/\R/u', $text) ?: [] as $i => $line) {
            $line = trim($line);
            if ($line === '') {
                continue;
            }
            $span = self::span($line, $today);
            if ($span === null) {
                $faults[] =
                    'Line ' .
                    ($i + 1) .
                    ', “' .
                    mb_substr($line, 0, 40) .
                    '”: begins with no day. Write 2026-12-12, 12 Dec or 12 Dec – 15 Dec, then what it is.';
                continue;
            }
            [$first, $last, $title] = $span;
            for ($day = 0; $day <= min(self::LONGEST_SPAN, max(0, $last->daysSince($first))); $day++) {
                $found[] = [$first->plus($day), $title];
            }
        }

        return $found;
    }

    /** @return array{Day, Day, string}|null first and last day, and the rest of the line */
    private static function span(string $line, Day $today): ?array
    {
        $day =
            '(?:(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)[a-z]*\.?,?\s+)?(\d{4}-\d\d-\d\d|\d{1,2}\.\d{1,2}\.\d{4}|\d{1,2}\.?\s+[A-Za-z]{3,9}(?:\s+\d{4})?)';
        if (preg_match("/^$day(?:\\s*(?:–|—|\\s-\\s|-|to|until)\\s*$day)?(.*)$/ui", $line, $part) !== 1) {
            return null;
        }
        $first = self::day($part[1], $today);
        $last = $part[2] === '' ? $first : self::day($part[2], $first ?? $today);

        return $first === null || $last === null ? null : [$first, $last, trim($part[3], " \t:,;·–-")];
    }

    private static function day(string $text, Day $notBefore): ?Day
    {
        $text = (string) preg_replace(['/(?<=\d)\.(?=\s)/', '/\s+/'], ['', ' '], $text);
        foreach (self::FORMATS as $format => $hasYear) {
            $found = DateTimeImmutable::createFromFormat("!$format", $text);
            // A day that the month does not have comes with a warning, and as one of the next month.
            if (
                $found === false ||
                DateTimeImmutable::getLastErrors() !== false ||
                $found->format('Y') < self::FIRST_YEAR
            ) {
                continue;
            }
            if ($hasYear) {
                return Day::fromIso($found->format('Y-m-d'));
            }
            $year = (int) substr($notBefore->toIso(), 0, 4);
            foreach ([$year, $year + 1, $year + 2] as $try) {
                [$month, $number] = [(int) $found->format('n'), (int) $found->format('j')];
                if (
                    checkdate($month, $number, $try) &&
                    sprintf('%04d-%02d-%02d', $try, $month, $number) >= $notBefore->toIso()
                ) {
                    return Day::fromIso(sprintf('%04d-%02d-%02d', $try, $month, $number));
                }
            }
        }

        return null;
    }
}
