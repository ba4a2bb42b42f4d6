<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\Clash;
use Rung\Core\Calendar\DayChoice;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\LeastHours;
use Rung\Core\Calendar\Recovery;
use Rung\Core\Calendar\Replan;
use Rung\Core\Calendar\Replanner;
use Rung\Core\Calendar\ReplanRequest;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\WeekCheck;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Calendar\WeekRules;
use Rung\Core\Dose\Mode;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;
use Rung\Core\Words\WeekWords;

/** docs/rules.md, "Weeks". Day 0 of these tests is Monday 13 April 2026. */
final class WeeksTest extends TestCase
{
    private const MONDAY = '2026-04-13';

    /** @return iterable<string, array{WeekRules, list<array{string, int}>, list<string>}> sessions as slot and day, and what is broken */
    public static function weeks(): iterable
    {
        $hours = [
            new LeastHours('spring', 'spring', 48),
            new LeastHours('spring', 'slow', 24),
            new LeastHours('slow', 'slow', 48),
        ];
        yield 'nothing' => [new WeekRules(leastHours: $hours), [['spring', 0], ['slow', 1], ['spring', 2]], []];
        yield 'springs on two days running' => [
            new WeekRules(leastHours: $hours),
            [['spring', 0], ['spring', 1]],
            ['too_soon 1 24/48 after 0'],
        ];
        yield 'just far enough' => [new WeekRules(leastHours: $hours), [['spring', 0], ['spring', 2]], []];
        yield 'strength on the day of springs, whichever is named first' => [
            new WeekRules(leastHours: $hours, mostADay: 2),
            [['spring', 0], ['slow', 0]],
            ['too_soon 0 0/24 after 1'],
        ];
        yield 'one direction alone' => [
            new WeekRules(leastHours: [new LeastHours('spring', 'slow', 48)]),
            [['slow', 0], ['spring', 1]],
            [],
        ];
        yield 'too many kinds' => [new WeekRules(), [['hold', 0], ['slow', 0]], ['day_full 1 2/1']];
        yield 'several times a day is one kind' => [new WeekRules(), [['hold', 0], ['hold', 0]], []];
        yield 'a blocked day' => [new WeekRules(blocked: self::days(1)), [['hold', 0], ['hold', 1]], ['day_blocked 1']];
        yield 'a day that the athlete has not' => [
            new WeekRules(available: [Weekday::Monday]),
            [['hold', 0], ['hold', 1]],
            ['day_not_available 1'],
        ];
        yield 'springs around an event' => [
            new WeekRules(events: self::days(3)),
            [['spring', 1], ['spring', 2], ['spring', 3], ['spring', 4], ['spring', 5]],
            ['event_near 1', 'event_near 2', 'event_near 3'],
        ];
        yield 'slow strength on the day of an event' => [new WeekRules(events: self::days(3)), [['slow', 3]], []];
        yield 'a full week, and the next' => [
            new WeekRules(mostPerWeek: ['slow' => 2]),
            [['slow', 0], ['slow', 2], ['slow', 6], ['slow', 7]],
            ['week_full 2 3/2'],
        ];
    }

    /**
     * @param list<array{string, int}> $sessions
     * @param list<string> $broken
     */
    #[DataProvider('weeks')]
    public function testEveryRuleThatIsNotKeptIsShown(WeekRules $rules, array $sessions, array $broken): void
    {
        $found = array_map(
            static fn(Clash $clash): string => trim(
                "{$clash->kind->value} $clash->session " .
                    ($clash->is === null ? '' : "$clash->is/$clash->allowed") .
                    ($clash->other === null ? '' : " after $clash->other"),
            ),
            (new WeekCheck($rules, self::slots()))->clashes(self::booked($sessions)),
        );
        self::assertSame($broken, $found);
    }

    public function testDaysAfterSpringsAndSlowStrengthAreRecoveredFrom(): void
    {
        $rules = new WeekRules(
            leastHours: [
                new LeastHours('spring', 'spring', 72),
                new LeastHours('slow', 'slow', 48),
                new LeastHours('hold', 'hold', 48),
                new LeastHours('spring', 'slow', 96),
            ],
        );
        $found = static fn(Booked ...$booked): array => array_map(
            static fn(Recovery $recovery): string => $recovery->on->daysSince(Day::fromIso(self::MONDAY)) .
                " after {$recovery->after->id}, $recovery->hours h",
            Recovery::among(array_values($booked), $rules, self::slots()),
        );
        self::assertSame(
            ['1 after 0, 72 h', '2 after 0, 72 h'],
            $found(...self::booked([['spring', 0]])),
            'a day is 24 h; the rule towards another kind draws nothing',
        );
        self::assertSame(['1 after 0, 48 h'], $found(...self::booked([['slow', 0]])));
        self::assertSame([], $found(...self::booked([['hold', 0]])), 'holds are no heavy work');
        self::assertSame(
            ['1 after 1, 48 h', '2 after 0, 72 h', '3 after 0, 72 h'],
            $found(...self::booked([['spring', 1], ['slow', 0]])),
        );
    }

    public function testOtherDaysAreFreeWhereNothingNewBreaks(): void
    {
        $check = new WeekCheck(
            new WeekRules(blocked: self::days(4), leastHours: [new LeastHours('slow', 'slow', 48)]),
            self::slots(),
        );
        $booked = self::booked([['slow', 1], ['hold', 2], ['slow', 6]]);
        $found = [];
        foreach (
            DayChoice::forSession(
                $booked[0],
                $booked,
                $check,
                Day::fromIso(self::MONDAY),
                Day::fromIso(self::MONDAY)->plus(30),
            )
            as $session
        ) {
            $found[$session->on->daysSince(Day::fromIso(self::MONDAY))] = implode(
                ' ',
                array_map(static fn(Clash $clash): string => $clash->kind->value, $session->breaks),
            );
        }
        // Tuesday's own day and Sunday's, where slow strength stands already, are none; a week on is the farthest.
        self::assertSame(
            [0 => '', 2 => 'day_full', 3 => '', 4 => 'day_blocked', 5 => 'too_soon', 7 => 'too_soon', 8 => ''],
            $found,
        );
    }

    public function testAFreeDayBreaksNothingAndAnyOtherBreaksSomething(): void
    {
        $random = new Randomizer(new Mt19937(23));
        $rules = new WeekRules(
            blocked: self::days(3, 9),
            events: self::days(12),
            leastHours: [new LeastHours('slow', 'slow', 48), new LeastHours('spring', 'spring', 72)],
            mostPerWeek: ['slow' => 3],
        );
        $check = new WeekCheck($rules, self::slots());
        $free = 0;
        for ($i = 0; $i < 200; $i++) {
            $booked = self::booked(
                array_map(
                    static fn(): array => [['slow', 'hold', 'spring'][$random->getInt(0, 2)], $random->getInt(0, 20)],
                    range(1, $random->getInt(1, 9)),
                ),
            );
            $session = $booked[$random->getInt(0, count($booked) - 1)];
            $keys = static fn(array $of): array => array_map(
                static fn(Clash $clash): string => $clash->key(),
                $check->clashes(
                    array_values(array_filter($of, static fn(mixed $each): bool => $each instanceof Booked)),
                ),
            );
            foreach (
                DayChoice::forSession(
                    $session,
                    $booked,
                    $check,
                    Day::fromIso(self::MONDAY),
                    Day::fromIso(self::MONDAY)->plus(20),
                )
                as $choice
            ) {
                $then = array_map(
                    static fn(Booked $each): Booked => $each === $session ? $each->movedTo($choice->on) : $each,
                    $booked,
                );
                self::assertSame($choice->isFree(), array_diff($keys($then), $keys($booked)) === []);
                self::assertLessThanOrEqual(7, abs($choice->on->daysSince($session->on)));
                $free += $choice->isFree() ? 1 : 0;
            }
        }
        self::assertGreaterThan(100, $free);
    }

    public function testMarkedDaysAreShownByWhatIsNew(): void
    {
        $days = static fn(int ...$on): array => array_map(
            static fn(int $session): Day => Day::fromIso(self::MONDAY)->plus($session),
            array_values($on),
        );
        self::assertSame('', WeekWords::days(true, $days(1), $days(1)));
        self::assertSame('show on Tue 14 Apr', WeekWords::days(true, [], $days(1)));
        self::assertSame(
            'show on Tue 14 Apr and Wed 15 Apr; no show any more on Sat 18 Apr',
            WeekWords::days(true, $days(5), $days(1, 2)),
        );
        self::assertSame(
            'no training on Mon 13 Apr, Tue 14 Apr and Wed 15 Apr',
            WeekWords::days(false, [], $days(0, 1, 2)),
        );
        self::assertSame('training again on Mon 13 Apr', WeekWords::days(false, $days(0), []));
        self::assertSame(
            'no training on 11 days from Mon 13 Apr to Thu 23 Apr',
            WeekWords::days(false, [], $days(...range(0, 10))),
        );
    }

    public function testSportIsShownOnceForAllItsDays(): void
    {
        $on = static fn(int $day, string $what = 'Rehearsal', int $minutes = 90): ExpectedSport => new ExpectedSport(
            Day::fromIso(self::MONDAY)->plus($day),
            $what,
            $minutes,
            6,
        );
        self::assertSame('', WeekWords::sport([$on(1)], [$on(1)]));
        self::assertSame(
            'Rehearsal, 90 min at an effort of 6, on Tue 14 Apr and Tue 21 Apr; Practice, 30 min at an effort of 6, on Wed 15 Apr',
            WeekWords::sport([], [$on(1), $on(2, '', 30), $on(8)]),
        );
        self::assertSame(
            'Rehearsal, 60 min at an effort of 6, on Tue 14 Apr; no longer: Rehearsal, 90 min at an effort of 6, on Tue 14 Apr',
            WeekWords::sport([$on(1)], [$on(1, minutes: 60)]),
        );
    }

    public function testASessionGoesToTheNearestDayThatKeepsEveryRule(): void
    {
        $rules = new WeekRules(events: self::days(5), leastHours: [new LeastHours('spring', 'spring', 48)]);
        $plan = self::plan([['spring', 0], ['spring', 3], ['spring', 6], ['spring', 9]], $rules);
        // The event on Saturday keeps springs off Friday to Sunday: Sunday's goes to Monday, 48 h before Wednesday.
        self::assertSame(['2' => 7], self::moved($plan));
        self::assertSame([], $plan->after);
        self::assertTrue($plan->proved);
    }

    public function testWhatFindsNoDayIsLeftOutAndShown(): void
    {
        $plan = self::plan(
            array_map(static fn(int $day): array => [['spring', 'hold', 'slow'][$day % 3], $day], range(0, 20)),
            new WeekRules(blocked: self::days(8)),
        );
        self::assertSame(['8'], array_map(static fn(Booked $booked): string => $booked->id, $plan->leftOut));
        self::assertSame([], $plan->moves);
        self::assertSame([], $plan->after);
    }

    public function testThreeMovesAreBetterThanToLeaveOneOut(): void
    {
        $rules = new WeekRules(
            available: [
                Weekday::Monday,
                Weekday::Tuesday,
                Weekday::Wednesday,
                Weekday::Thursday,
                Weekday::Friday,
                Weekday::Saturday,
            ],
            blocked: self::days(2, 7, 8, 9, 10, 11, 12),
            leastHours: [new LeastHours('slow', 'slow', 48)],
        );
        $plan = self::plan([['slow', 0], ['hold', 1], ['slow', 2], ['hold', 3], ['slow', 4]], $rules);
        self::assertSame([], $plan->leftOut);
        self::assertSame(['2' => 3, '3' => 4, '4' => 5], self::moved($plan));
    }

    public function testWhatIsDoneOrHeldStaysAndIsShownWhereItCannotBeKept(): void
    {
        $rules = new WeekRules(blocked: self::days(1, 4));
        $plan = Replanner::replan(
            [new Booked('a', self::day(1), 'hold', true), new Booked('b', self::day(4), 'hold')],
            $rules,
            self::slots(),
            self::day(2),
        );
        self::assertSame(['b'], array_map(static fn(Booked $booked): string => $booked->id, $plan->moves));
        self::assertSame(['a'], array_map(static fn(Clash $clash): string => $clash->session, $plan->after));
        $past = Replanner::replan([new Booked('a', self::day(1), 'hold')], $rules, self::slots(), self::day(2));
        self::assertSame([[], []], [$past->moves, $past->leftOut], 'what lies before today is done');
        self::assertCount(1, $past->after);
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            yield "seed $seed" => [$seed];
        }
    }

    /** Every way to put the sessions of a small week is tried: none is better. */
    #[DataProvider('seeds')]
    public function testOfSmallWeeksThePlanIsTheBest(int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        [$sessions, $rules] = self::made($chance, 7, ['spring', 'slow']);
        $plan = self::plan($sessions, $rules);
        self::assertTrue($plan->proved);
        $best = self::leastCost($sessions, $rules, 7);
        $cost = self::cost($plan, $rules);
        self::assertLessThanOrEqual(
            $best,
            $cost,
            "the search found $cost, trying all found $best: " . json_encode([$sessions, self::moved($plan)]),
        );
    }

    /** Of long and crowded seasons what must hold whatever is planned. */
    #[DataProvider('seeds')]
    public function testALongSeasonKeepsWhatCanBeKept(int $seed): void
    {
        $chance = new Randomizer(new Mt19937(1000 + $seed));
        [$sessions, $rules] = self::made($chance, 84, ['spring', 'slow', 'hold']);
        $plan = self::plan($sessions, $rules);
        self::assertSame([], $plan->after, 'every session may be moved or left out, so every rule can be kept');
        self::assertCount(count($sessions), [...$plan->booked, ...$plan->leftOut]);
        $slots = array_count_values(array_map(static fn(array $session): string => $session[0], $sessions));
        self::assertEquals(
            $slots,
            array_count_values(
                array_map(static fn(Booked $booked): string => $booked->slot, [...$plan->booked, ...$plan->leftOut]),
            ),
        );
        foreach ($plan->moves as $move) {
            self::assertGreaterThanOrEqual(self::day(0)->number, $move->on->number);
        }
        // Planned once more nothing changes, and what broke no rule is left alone.
        $again = Replanner::replan($plan->booked, $rules, self::slots(), self::day(0));
        self::assertSame([[], [], []], [$again->before, $again->moves, $again->leftOut]);
    }

    public function testTheCommandTellsWhatBreaksWhatMovesAndWhatCannot(): void
    {
        $found = ReplanRequest::answer(
            (string) json_encode([
                'today' => self::MONDAY,
                'slots' => [['key' => 'spring', 'mode' => 'plyometric']],
                'sessions' => [
                    ['id' => 'a', 'on' => '2026-04-14', 'slot' => 'spring'],
                    ['id' => 'b', 'on' => '2026-04-15', 'slot' => 'spring'],
                ],
                'rules' => ['least_hours' => [['after' => 'spring', 'before' => 'spring', 'hours' => 72]]],
            ]),
        );
        self::assertSame(
            [
                [
                    'kind' => 'too_soon',
                    'session' => 'b',
                    'on' => '2026-04-15',
                    'other' => 'a',
                    'is' => 24,
                    'allowed' => 72,
                ],
            ],
            $found['broken'],
        );
        self::assertSame([], $found['cannot']);
        self::assertTrue($found['proved']);
        self::assertIsArray($found['moves']);
        self::assertCount(1, $found['moves']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        yield 'a slot that is none' => [
            ['sessions' => [['id' => 'a', 'on' => self::MONDAY, 'slot' => 'luck']]],
            '/sessions/0/slot must name a slot of the request',
        ];
        yield 'one id twice' => [
            [
                'sessions' => [
                    ['id' => 'a', 'on' => self::MONDAY, 'slot' => 'spring'],
                    ['id' => 'a', 'on' => self::MONDAY, 'slot' => 'spring'],
                ],
            ],
            '/sessions/1/id is there twice',
        ];
        yield 'hours without end' => [
            ['rules' => ['least_hours' => [['after' => 'spring', 'before' => 'spring', 'hours' => 97]]]],
            '/rules/least_hours/0/hours must be from 1 to 96',
        ];
        yield 'a rule about nothing' => [
            ['rules' => ['most_per_week' => [['slot' => 'luck', 'times' => 2]]]],
            '/rules/most_per_week/0/slot must name a slot of the request',
        ];
        yield 'no slots' => [['slots' => []], '/slots must hold at least one slot'];
        yield 'too many slots' => [
            ['slots' => array_map(static fn(int $i): array => ['key' => "s$i", 'mode' => 'isotonic'], range(1, 6))],
            '/slots must hold at most 5 slots',
        ];
    }

    /** @param array<string, mixed> $request */
    #[DataProvider('bad')]
    public function testBadRequestsAreRefusedAtTheirField(array $request, string $fault): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage($fault);
        ReplanRequest::answer(
            (string) json_encode(
                $request + [
                    'today' => self::MONDAY,
                    'slots' => [['key' => 'spring', 'mode' => 'plyometric']],
                    'sessions' => [],
                    'rules' => (object) [],
                ],
            ),
        );
    }

    /**
     * A made-up plan and rules that it breaks here and there.
     *
     * @param list<string> $slots
     *
     * @return array{list<array{string, int}>, WeekRules}
     */
    private static function made(Randomizer $chance, int $days, array $slots): array
    {
        $sessions = [];
        for ($day = 0; $day < $days; $day++) {
            if ($chance->getInt(0, 9) < 6) {
                $sessions[] = [$slots[$chance->getInt(0, count($slots) - 1)], $day];
            }
        }
        $some = static fn(int $most): array => self::days(
            ...array_map(
                static fn(): int => $chance->getInt(0, $days - 1),
                range(1, max(1, $chance->getInt(0, $most))),
            ),
        );

        return [
            $sessions === [] ? [['slow', 1]] : $sessions,
            new WeekRules(
                blocked: $some(max(1, intdiv($days, 14))),
                events: $some(max(1, intdiv($days, 20))),
                leastHours: [
                    new LeastHours('spring', 'spring', 24 * $chance->getInt(1, 3)),
                    new LeastHours('slow', 'slow', 24 * $chance->getInt(1, 2)),
                    new LeastHours('spring', 'slow', 24),
                ],
                mostPerWeek: ['slow' => $chance->getInt(2, 4)],
            ),
        ];
    }

    /**
     * What the best way to place or leave out the sessions of a small week costs, those of a slot in their order.
     *
     * @param list<array{string, int}> $sessions
     */
    private static function leastCost(array $sessions, WeekRules $rules, int $days): int
    {
        $check = new WeekCheck($rules, self::slots());
        $booked = self::booked($sessions);
        $least = PHP_INT_MAX;
        // Each set of sessions that stand, built up one session after the other.
        /** @var list<list<Booked>> $sets */
        $sets = [[]];
        foreach ($booked as $booking) {
            $more = [];
            foreach ($sets as $stand) {
                $more[] = $stand;
                $after = max([
                    -1,
                    ...array_map(
                        static fn(Booked $other): int => $other->slot === $booking->slot
                            ? $other->on->daysSince(self::day(0))
                            : -1,
                        $stand,
                    ),
                ]);
                for ($day = $after + 1; $day < $days; $day++) {
                    $more[] = [...$stand, $booking->movedTo(self::day($day))];
                }
            }
            $sets = $more;
        }
        foreach ($sets as $stand) {
            if ($check->clashes($stand) === []) {
                $least = min(
                    $least,
                    self::costOf(
                        $sessions,
                        array_column(
                            array_map(
                                static fn(Booked $session): array => [
                                    $session->id,
                                    $session->on->daysSince(self::day(0)),
                                ],
                                $stand,
                            ),
                            1,
                            0,
                        ),
                    ),
                );
            }
        }
        self::assertNotSame(PHP_INT_MAX, $least);

        return $least;
    }

    /**
     * Moves and what is left out, by slot: days that are given up are moved or left out, whichever session is named for it.
     *
     * @param list<array{string, int}> $sessions
     * @param array<int|string, int> $stand days by session
     */
    private static function costOf(array $sessions, array $stand): int
    {
        $was = $is = [];
        foreach ($sessions as $id => [$slot, $day]) {
            $was[$slot][] = $day;
            $is[$slot] ??= [];
            if (isset($stand[$id])) {
                $is[$slot][] = $stand[$id];
            }
        }
        $cost = 0;
        foreach ($was as $slot => $days) {
            $out = count($days) - count($is[$slot]);
            $cost += 4 * $out + count(array_diff($days, $is[$slot])) - $out;
        }

        return $cost;
    }

    private static function cost(Replan $plan, WeekRules $rules): int
    {
        self::assertSame([], (new WeekCheck($rules, self::slots()))->clashes($plan->booked));

        return 4 * count($plan->leftOut) + count($plan->moves);
    }

    /** @param list<array{string, int}> $sessions */
    private static function plan(array $sessions, WeekRules $rules): Replan
    {
        return Replanner::replan(self::booked($sessions), $rules, self::slots(), self::day(0));
    }

    /** @return array<int|string, int> new days by session */
    private static function moved(Replan $plan): array
    {
        return array_column(
            array_map(
                static fn(Booked $booked): array => [$booked->id, $booked->on->number - self::day(0)->number],
                $plan->moves,
            ),
            1,
            0,
        );
    }

    /**
     * @param list<array{string, int}> $sessions
     *
     * @return list<Booked>
     */
    private static function booked(array $sessions): array
    {
        return array_map(
            static fn(array $session, int $i): Booked => new Booked((string) $i, self::day($session[1]), $session[0]),
            $sessions,
            array_keys($sessions),
        );
    }

    /** @return array<string, Slot> */
    private static function slots(): array
    {
        return [
            'spring' => new Slot('spring', Mode::Plyometric),
            'slow' => new Slot('slow', Mode::Isotonic),
            'hold' => new Slot('hold', Mode::Isometric),
        ];
    }

    private static function day(int $number): Day
    {
        return Day::fromIso(self::MONDAY)->plus($number);
    }

    /** @return array<int, true> */
    private static function days(int ...$numbers): array
    {
        return array_fill_keys(array_map(static fn(int $number): int => self::day($number)->number, $numbers), true);
    }
}
