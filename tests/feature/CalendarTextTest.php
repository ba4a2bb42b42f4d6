<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Support\CalendarText;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase as PlainTestCase;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** Days as people type them, and as calendar files hold them. Today is Friday 27 November 2026, in Lisbon. */
final class CalendarTextTest extends PlainTestCase
{
    /** @return iterable<string, array{string, list<string>}> */
    public static function lines(): iterable
    {
        yield 'as the record has it' => ['2026-12-12 gala', ['2026-12-12 gala']];
        yield 'as it is said' => ['12 Dec gala', ['2026-12-12 gala']];
        yield 'with its weekday and year' => ['Sat 12 December 2026: gala', ['2026-12-12 gala']];
        yield 'with points' => ['12.12.2026', ['2026-12-12 ']];
        yield 'the next such day where it is over for this year' => ['3 Jan', ['2027-01-03 ']];
        yield 'a span' => ['24 Dec – 26 Dec travel', ['2026-12-24 travel', '2026-12-25 travel', '2026-12-26 travel']];
        yield 'a span over the year' => ['2026-12-31 until 2027-01-01', ['2026-12-31 ', '2027-01-01 ']];
        yield 'a span over the year as it is said' => ['31 Dec to 1 Jan', ['2026-12-31 ', '2027-01-01 ']];
        yield 'in order, each once, with what both say' => [
            "13 Dec\n12 Dec show\n12 Dec party",
            ['2026-12-12 show, party', '2026-12-13 '],
        ];
        yield 'what is over is left out' => ["2026-11-26\n2026-11-27", ['2026-11-27 ']];
        yield 'and what is too far away' => ["2028-01-02\n2028-01-01", ['2028-01-01 ']];
    }

    /** @param list<string> $days */
    #[DataProvider('lines')]
    public function testDaysAreReadAsPeopleWriteThem(string $text, array $days): void
    {
        $read = CalendarText::read($text, Day::fromIso('2026-11-27'), 'Europe/Lisbon');
        self::assertSame([$days, []], [self::days($read['days']), $read['faults']]);
    }

    public function testALineThatNamesNoDayIsShownWithItsNumber(): void
    {
        $read = CalendarText::read(
            "12 Dec\n\nnext week\n31 Feb\n99 Dec\n2026-13-01\n12",
            Day::fromIso('2026-11-27'),
            'Europe/Lisbon',
        );
        self::assertSame(['2026-12-12 '], self::days($read['days']));
        self::assertCount(5, $read['faults']);
        self::assertStringStartsWith('Line 3, “next week”: begins with no day.', $read['faults'][0]);
        self::assertStringStartsWith('Line 4, “31 Feb”', $read['faults'][1]);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function events(): iterable
    {
        yield 'an evening that ends at midnight is one day' => [
            "DTSTART;TZID=Europe/Lisbon:20261205T200000\r\nDTEND;TZID=Europe/Lisbon:20261206T000000",
            ['2026-12-05 Show'],
        ];
        yield 'one that goes on after it is two' => [
            "DTSTART;TZID=Europe/Lisbon:20261205T200000\r\nDTEND;TZID=Europe/Lisbon:20261206T010000",
            ['2026-12-05 Show', '2026-12-06 Show'],
        ];
        yield 'whole days, the end not among them' => [
            "DTSTART;VALUE=DATE:20261220\r\nDTEND;VALUE=DATE:20261222",
            ['2026-12-20 Show', '2026-12-21 Show'],
        ];
        yield 'a whole day without an end' => ['DTSTART;VALUE=DATE:20261220', ['2026-12-20 Show']];
        yield 'every week' => [
            "DTSTART;TZID=Europe/Lisbon:20261128T200000\r\nRRULE:FREQ=WEEKLY;COUNT=3",
            ['2026-11-28 Show', '2026-12-05 Show', '2026-12-12 Show'],
        ];
        yield 'without a day taken out' => [
            "DTSTART;TZID=Europe/Lisbon:20261128T200000\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nEXDATE;TZID=Europe/Lisbon:20261205T200000",
            ['2026-11-28 Show', '2026-12-12 Show'],
        ];
        yield 'late elsewhere is the next day here' => [
            'DTSTART;TZID=America/New_York:20261205T220000',
            ['2026-12-06 Show'],
        ];
        yield 'in universal time' => ['DTSTART:20261205T200000Z', ['2026-12-05 Show']];
        yield 'called off' => ["DTSTART;VALUE=DATE:20261220\r\nSTATUS:CANCELLED", []];
        yield 'a rule without an end stops where nothing can be marked' => [
            "DTSTART;VALUE=DATE:20261128\r\nRRULE:FREQ=YEARLY",
            ['2026-11-28 Show', '2027-11-28 Show'],
        ];
    }

    /** @param list<string> $days */
    #[DataProvider('events')]
    public function testDaysAreReadFromACalendarFile(string $event, array $days): void
    {
        $text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Ropewalk//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20261101T000000Z\r\n$event\r\nSUMMARY:Show\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        self::assertSame(
            $days,
            self::days(CalendarText::read($text, Day::fromIso('2026-11-27'), 'Europe/Lisbon')['days']),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function broken(): iterable
    {
        yield 'cut short' => ["BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n"];
        yield 'no such day' => [
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:soon\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
        ];
        yield 'every second of a year' => [
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261128T200000Z\r\nRRULE:FREQ=SECONDLY\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
        ];
    }

    #[DataProvider('broken')]
    public function testABrokenCalendarFileIsRefusedWithWhatHelps(string $text): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/save it again as iCalendar/');
        CalendarText::read($text, Day::fromIso('2026-11-27'), 'Europe/Lisbon');
    }

    public function testMoreThanCanBeMarkedIsCounted(): void
    {
        $text =
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20261128\r\nRRULE:FREQ=DAILY;COUNT=250\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        $read = CalendarText::read($text, Day::fromIso('2026-11-27'), 'Europe/Lisbon');
        self::assertSame([200, 50], [count($read['days']), $read['more']]);
    }

    /**
     * @param list<array{on: string, title: string}> $days
     *
     * @return list<string>
     */
    private static function days(array $days): array
    {
        return array_map(static fn(array $day): string => "{$day['on']} {$day['title']}", $days);
    }
}
