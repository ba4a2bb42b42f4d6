<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\Slot;
use Rung\Core\Dose\Mode;
use Rung\Core\Evaluation\WeekSum;
use Rung\Core\Evaluation\WeekSums;
use Rung\Core\Plan\Plan;
use Rung\Core\Time\Day;
use Rung\Core\Words\WeekSumWords;

/** docs/rules.md, "A week's sums". Monday is 2 March 2026; a session lifts 3 × 8 × 40 = 960 kg. */
final class WeekSumsTest extends TestCase
{
    /** @return iterable<string, array{list<int>, list<int>, int|float, int|float|null, bool}> days of March done and planned; the sum and the limit of the week from the 16th, and whether it is over */
    public static function weeks(): iterable
    {
        yield 'nothing before' => [[], [16, 18], 1920, null, false];
        yield 'as many as before' => [[2, 4, 6, 9, 11, 13], [16, 18, 20], 2880, 3168, false];
        yield 'one more, as every other day has it' => [[2, 4, 6, 9, 11, 13], [16, 18, 20, 22], 3840, 4224, false];
        yield 'two more' => [[2, 4, 6, 9, 11, 13], [16, 17, 18, 20, 22], 4800, 3168, true];
        yield 'as usual after a lean week' => [[2, 4, 6, 9], [16, 18, 20], 2880, 3168, false];
        yield 'more than usual after a lean week' => [[2, 4, 9], [16, 18, 20, 22], 3840, 2112, true];
        yield 'one more than in the lean week alone' => [[9], [16, 18], 1920, 2112, false];
        yield 'three weeks ago counts for nothing' => [[], [9, 16, 17, 18], 2880, 1056, true];
    }

    /**
     * @param list<int> $done
     * @param list<int> $planned
     */
    #[DataProvider('weeks')]
    public function testAWeekIsHeldAgainstTheTwoBefore(
        array $done,
        array $planned,
        int|float $sum,
        int|float|null $limit,
        bool $isOver,
    ): void {
        $week = self::sums($done, $planned)[2];
        self::assertSame('2026-03-16', $week->monday->toIso());
        self::assertEquals(
            [$sum, $limit, $isOver],
            [$week->total('volume_load_kg'), $week->limit('volume_load_kg'), $week->isOver('volume_load_kg')],
        );
    }

    public function testDoneAndPlannedAreToldApart(): void
    {
        $weeks = self::sums([2, 4], [6, 9], 5);
        self::assertEquals([1920, 960], [$weeks[0]->done('volume_load_kg'), $weeks[0]->ahead('volume_load_kg')]);
        self::assertEquals([0, 960], [$weeks[1]->done('volume_load_kg'), $weeks[1]->ahead('volume_load_kg')]);
        self::assertSame(
            ['Lifted'],
            array_column(WeekSumWords::figures($weeks[0]), 'title'),
            'sums of nothing are left out',
        );
    }

    public function testTheLimitItselfIsKept(): void
    {
        $heavier = static fn(int|float $load): array => self::sums([2, 4, 6], [9, 11, 13], 8, [
            'dose' => ['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'load_kg' => $load],
        ]);
        self::assertFalse($heavier(44)[1]->isOver('volume_load_kg'));
        $over = $heavier(44.5)[1];
        self::assertTrue($over->isOver('volume_load_kg'));
        self::assertSame(
            "Lifted: 3,204 kg, 11 % more than in the two weeks before; your school's limit is 10 %.",
            WeekSumWords::figures($over)[0]['over'],
        );
    }

    public function testWhatRestsIsNotCounted(): void
    {
        $resting = new Plan([], ['press' => Day::fromIso('2026-03-11')]);
        $weeks = self::sums([], [9, 11], 8, [], $resting);
        self::assertEquals(960, $weeks[1]->ahead('volume_load_kg'));
    }

    public function testSportCountsByMinutesAndEffort(): void
    {
        $case = CaseBuilder::case()->session(2, 1, [
            'kind' => 'sport',
            'minutes' => 40,
            'effort' => 5,
            'entries' => [],
        ]);
        foreach ([[3, 60, 4], [4, 50, 9]] as [$day, $minutes, $effort]) {
            $case = $case->session($day, 1, [
                'kind' => 'sport',
                'minutes' => $minutes,
                'effort' => $effort,
                'entries' => [],
            ]);
        }
        $open = array_map(
            static fn(int $day): Booked => new Booked("p$day", Day::fromIso(sprintf('2026-03-%02d', $day)), 'practice'),
            [10, 11],
        );
        [$week, $next] = WeekSums::forWeeks(
            $case->at(8),
            new Plan([]),
            $open,
            ['practice' => new Slot('practice', Mode::Sport)],
            [],
            Day::fromIso('2026-03-04'),
            2,
        );
        self::assertEquals([150, 40 * 5 + 60 * 4 + 50 * 9], [$week->done('sport_min'), $week->done('sport_load')]);
        // What is planned counts as the middle one of the latest: 50 minutes at an effort of 5.
        self::assertEquals(
            [0, 100, 500],
            [$next->done('sport_min'), $next->ahead('sport_min'), $next->ahead('sport_load')],
        );
        [, $never] = WeekSums::forWeeks(
            CaseBuilder::case()->at(8),
            new Plan([]),
            $open,
            ['practice' => new Slot('practice', Mode::Sport)],
            [],
            Day::fromIso('2026-03-04'),
            2,
        );
        self::assertEquals(0, $never->ahead('sport_min'), 'nothing is made up where none was logged');
    }

    public function testExpectedPracticeCountsUntilItsDayIsOverOrItWasLogged(): void
    {
        $case = CaseBuilder::case()->session(9, 1, [
            'kind' => 'sport',
            'minutes' => 45,
            'effort' => 3,
            'entries' => [],
        ]);
        $expected = array_map(
            static fn(int $day): ExpectedSport => new ExpectedSport(
                Day::fromIso(sprintf('2026-03-%02d', $day)),
                'Rehearsal',
                90,
                6,
            ),
            [8, 9, 10, 12, 16],
        );
        $planned = [
            new Booked('p', Day::fromIso('2026-03-12'), 'practice'),
            new Booked('q', Day::fromIso('2026-03-13'), 'practice'),
        ];
        [$week, $next] = WeekSums::forWeeks(
            $case->at(9, '21:00'),
            new Plan([]),
            $planned,
            ['practice' => new Slot('practice', Mode::Sport)],
            $expected,
            Day::fromIso('2026-03-09'),
            2,
        );
        self::assertEquals(45, $week->done('sport_min'));
        // The 10th and the 12th; the practice that the plan has on the 12th is the same one, that of the 13th is the usual.
        self::assertEquals([90 + 90 + 45, 540 + 540 + 135], [$week->ahead('sport_min'), $week->ahead('sport_load')]);
        self::assertEquals(90, $next->ahead('sport_min'));
    }

    /**
     * @param list<int> $done
     * @param list<int> $planned
     * @param array<string, mixed> $press
     *
     * @return list<WeekSum>
     */
    private static function sums(
        array $done,
        array $planned,
        int $today = 15,
        array $press = [],
        Plan $plan = new Plan([]),
    ): array {
        $case = CaseBuilder::case()->press(['slot' => 'strength'] + $press);
        foreach ($done as $day) {
            $case = $case->session($day);
        }
        $open = array_map(
            static fn(int $day): Booked => new Booked("p$day", Day::fromIso(sprintf('2026-03-%02d', $day)), 'strength'),
            $planned,
        );

        return WeekSums::forWeeks(
            $case->at($today, '21:00'),
            $plan,
            $open,
            ['strength' => new Slot('strength', Mode::Isotonic)],
            [],
            Day::fromIso('2026-03-05'),
            3,
        );
    }
}
