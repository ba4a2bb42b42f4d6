<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Simulation\Temper;

/** The calendar's rhythms, case by case, and the simulated athlete that the demo practice is played by. */
final class CalendarTest extends TestCase
{
    private const SLOTS = [
        ['key' => 's', 'mode' => 'plyometric'],
        ['key' => 'h', 'mode' => 'isometric'],
        ['key' => 'w', 'mode' => 'isotonic'],
    ];

    private const WEEK = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** @return iterable<string, array{array<string, mixed>, string}> a request from Monday the 2nd of March 2026 for 14 days, and the slots day by day */
    public static function rhythms(): iterable
    {
        $cycle = ['rhythm' => ['cycle' => ['s', 'h', 'w']]];
        yield 'a cycle, one a day' => [$cycle, 'shwshw' . 'shwshwsh'];
        yield 'a cycle waits on days that are not there' => [
            ['available' => ['mon', 'wed', 'fri']] + $cycle,
            's.h.w..s.h.w..',
        ];
        yield 'a blocked day is passed over' => [['blocked' => ['2026-03-03']] + $cycle, 's.hwshwshwshws'];
        yield 'springs give way around an event and keep their turn' => [
            ['events' => ['2026-03-05']] + $cycle,
            'shwhwshwshwshw',
        ];
        yield 'several slots in place of springs go round' => [
            ['events' => ['2026-03-02', '2026-03-04'], 'rhythm' => ['cycle' => ['s', 'h', 'w']]],
            'hwhwshwshwshws',
        ];
        yield 'not before a day' => [['not_before' => '2026-03-06'] + $cycle, '....shwshwshws'];
        yield 'every other day' => [['slots' => [self::SLOTS[2]], 'rhythm' => ['every_days' => 2]], 'w.w.w.w.w.w.w.'];
        yield 'every other day on weekdays' => [
            [
                'slots' => [self::SLOTS[2]],
                'available' => ['mon', 'tue', 'wed', 'thu', 'fri'],
                'rhythm' => ['every_days' => 2],
            ],
            'w.w.w..w.w.w..',
        ];
        yield 'every third day, springs kept off the event' => [
            ['events' => ['2026-03-05'], 'rhythm' => ['every_days' => 3]],
            's....s..s..s..',
        ];
        yield 'three a week, two days apart' => [
            ['slots' => [self::SLOTS[2]], 'rhythm' => ['per_week' => 3, 'min_gap_days' => 2]],
            'w.w.w..w.w.w..',
        ];
        yield 'the gap reaches over Sunday' => [
            [
                'slots' => [self::SLOTS[2]],
                'available' => ['mon', 'sun'],
                'rhythm' => ['per_week' => 2, 'min_gap_days' => 2],
            ],
            'w.....w......w',
        ];
        yield 'no more in a week than asked' => [
            ['slots' => [self::SLOTS[1]], 'rhythm' => ['per_week' => 2, 'min_gap_days' => 0]],
            'hh.....hh.....',
        ];
    }

    /** @param array<string, mixed> $request */
    #[DataProvider('rhythms')]
    public function testARhythmIsPlacedDayByDay(array $request, string $expected): void
    {
        self::assertSame($expected, self::row($request));
    }

    public function testWhatIsDoneSeveralTimesADayIsListedSoOften(): void
    {
        [$code, $answer] = Support::rung(
            ['schedule', '-'],
            (string) json_encode([
                'from' => '2026-03-02',
                'days' => 2,
                'available' => self::WEEK,
                'slots' => [['key' => 'h', 'mode' => 'isometric', 'times_per_day' => 3]],
                'rhythm' => ['every_days' => 1],
            ]),
        );
        self::assertSame(0, $code);
        self::assertIsArray($answer);
        self::assertIsArray($answer['placed']);
        self::assertSame([1, 2, 3, 1, 2, 3], array_column($answer['placed'], 'number'));
    }

    public function testSpringsAreNeverNearAnEventNorLostWhateverTheWeekLooksLike(): void
    {
        $chance = new Randomizer(new Mt19937(11));
        for ($i = 0; $i < 150; $i++) {
            $available = array_values(
                array_filter(self::WEEK, static fn(string $day): bool => $chance->getInt(0, 3) > 0),
            ) ?: ['mon'];
            $events = array_values(
                array_unique(array_map(static fn(): int => $chance->getInt(0, 41), range(1, $chance->getInt(1, 3)))),
            );
            $row = self::row(
                [
                    'days' => 42,
                    'available' => $available,
                    'rhythm' => ['cycle' => ['s', 'h', 'w']],
                    'events' => array_map(
                        static fn(int $day): string => date('Y-m-d', (int) strtotime("2026-03-02 +$day days")),
                        $events,
                    ),
                ],
                42,
            );
            foreach ($events as $event) {
                self::assertStringNotContainsString(
                    's',
                    substr($row, max(0, $event - 1), $event === 0 ? 2 : 3),
                    "$row, event on day $event",
                );
            }
            // Days that the athlete has are never left empty by a cycle that has more than springs.
            foreach (str_split($row) as $day => $slot) {
                self::assertSame(in_array(self::WEEK[$day % 7], $available, true), $slot !== '.', $row);
            }
        }
    }

    public function testASimulatedAthleteIsTheSameForTheSameSeedAndAnotherForAnother(): void
    {
        $file = static fn(int $seed): string => (string) json_encode(Support::played($seed, 30)->file->toArray());
        self::assertSame($file(5), $file(5));
        self::assertNotSame($file(5), $file(6));
    }

    public function testTheSimulatedPastIsSoundAndFollowsItsTemper(): void
    {
        $scores = static function (Temper $temper): array {
            $history = Support::played(3, 40, 'holds', $temper);
            // What is played passes the same reader as a file from outside.
            $file = \Rung\Core\CaseFile\CaseFile::fromJson((string) json_encode($history->file->toArray()));
            $sum = array_sum(array_map(static fn($checkIn): int => $checkIn->provocation ?? 0, $file->check_ins));

            return [
                $sum / max(1, count($file->check_ins)),
                count($file->sessions),
                count(
                    array_filter(
                        $file->planned,
                        static fn(PlannedSession $planned): bool => $planned->on->toIso() < '2026-05-20',
                    ),
                ),
            ];
        };
        [$sore, $sessions, $planned] = $scores(new Temper(soreness: 6, irritability: 1.3));
        [$calm, $calmSessions, $calmPlanned] = $scores(new Temper(soreness: 1, irritability: 0.4));
        self::assertGreaterThan($calm, $sore);
        [, $lazy, $lazyPlanned] = $scores(new Temper(soreness: 1, irritability: 0.4, diligence: 0.4));
        self::assertLessThan($calmSessions / $calmPlanned, $lazy / $lazyPlanned);
        self::assertLessThanOrEqual($planned, $sessions);
    }

    /** @param array<string, mixed> $request */
    private static function row(array $request, int $days = 14): string
    {
        [$code, $answer, $error] = Support::rung(
            ['schedule', '-'],
            (string) json_encode(
                $request + ['from' => '2026-03-02', 'days' => $days, 'available' => self::WEEK, 'slots' => self::SLOTS],
            ),
        );
        self::assertSame(0, $code, $error);
        self::assertIsArray($answer);
        self::assertIsArray($answer['placed']);
        $row = str_repeat('.', $days);
        foreach ($answer['placed'] as $placed) {
            self::assertIsArray($placed);
            self::assertIsString($placed['on']);
            self::assertIsString($placed['slot']);
            $row[(int) ((strtotime($placed['on'] . ' UTC') - strtotime('2026-03-02 UTC')) / 86400)] = $placed['slot'];
        }

        return $row;
    }
}
