<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use DateTimeZone;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Decision\Work;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Input\Json;
use Rung\Core\Number;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Time\TimeWords;
use Rung\Core\Time\Zone;

/** Numbers, doses, loads, days: worked by hand, and properties that hold for many. */
final class ArithmeticTest extends TestCase
{
    public function testNumbersAreComparedAndRoundedWithoutTheNoiseOfFractions(): void
    {
        self::assertTrue(Number::atLeast(0.1 + 0.2, 0.3));
        self::assertFalse(Number::over(0.1 + 0.2, 0.3));
        self::assertTrue(Number::atMost(0.3, 0.1 + 0.2));
        self::assertFalse(Number::under(0.3, 0.1 + 0.2));
        self::assertSame(
            [0.3, 2.5, 3, -2.5],
            [Number::clean(0.1 + 0.2), Number::clean(2.5), Number::clean(3.0), Number::clean(-2.5)],
        );
        self::assertSame(
            [0.1, 0.1, -0.1, 7],
            [Number::tenth(0.05), Number::tenth(0.149), Number::tenth(-0.05), Number::tenth(7.0)],
        );
        self::assertSame(
            [37.5, 40, 0.3, 0],
            [
                Number::floorToMultiple(39.9, 2.5),
                Number::floorToMultiple(40, 2.5),
                Number::floorToMultiple(0.3, 0.1),
                Number::floorToMultiple(2.4, 2.5),
            ],
        );
        self::assertSame([2, 3, -1], [Number::floor(2.999), Number::floor(2.9999999999), Number::floor(-0.5)]);
        self::assertSame([2, 2.5, 5], [Number::median([1, 2, 9]), Number::median([1, 2, 3, 9]), Number::median([5])]);
        $chance = new Randomizer(new Mt19937(1));
        for ($i = 0; $i < 500; $i++) {
            $value = $chance->getInt(0, 300_000) / 1000;
            $step = [0.1, 0.25, 0.5, 1, 2.5, 5][$chance->getInt(0, 5)];
            $floor = Number::floorToMultiple($value, $step);
            self::assertLessThanOrEqual($value + 1e-6, $floor);
            self::assertGreaterThan($value - $step - 1e-6, $floor);
            self::assertSame($floor, Number::floorToMultiple($floor, $step), 'a multiple is its own');
        }
    }

    public function testARepetitionMaximumAndBack(): void
    {
        self::assertSame([100, 40 * (1 + 12 / 30)], [Strength::e1rm(100, 1), Strength::e1rm(40, 10, 2)]);
        self::assertSame(Strength::e1rm(40, 8, 2), Strength::e1rm(40, 10), 'what is left in reserve counts as done');
        for ($reps = 2; $reps <= Strength::MAX_REPS; $reps++) {
            $once = Strength::e1rm(50, $reps);
            self::assertEqualsWithDelta(50, Strength::loadFor($once, $reps), 1e-9);
            self::assertGreaterThan(Strength::e1rm(50, $reps - 1), $once, 'more repetitions tell of more strength');
            self::assertLessThan(Strength::loadFor(100, $reps - 1), Strength::loadFor(100, $reps));
        }
        foreach (
            [
                [static fn() => Strength::e1rm(40, 0), 'reps and rir'],
                [static fn() => Strength::e1rm(40, 15, 6), 'reps and rir'],
                [static fn() => Strength::loadFor(40, 21), 'reps must'],
            ]
            as [$wrong, $fault]
        ) {
            try {
                $wrong();
                self::fail('was worked out');
            } catch (InvalidArgumentException $refused) {
                self::assertStringContainsString($fault, $refused->getMessage());
            }
        }
    }

    public function testSidesAreCompared(): void
    {
        self::assertSame(
            [75, 125, 80],
            [
                Strength::symmetry(300, 400, false),
                Strength::symmetry(500, 400, false),
                Strength::symmetry(500, 400, true),
            ],
        );
        self::assertSame(
            Strength::symmetry(400, 500, true),
            Strength::symmetry(500, 400, true),
            'where both are treated it is the same either way',
        );
        self::assertSame([25, -20, 0], [Strength::ratio(500, 400), Strength::ratio(400, 500), Strength::ratio(3, 3)]);
        self::assertEquals(['value' => 210, 'low' => 195, 'high' => 225], Strength::holdTarget(300, 70));
        self::assertEquals(0, Strength::holdTarget(300, 3)['low'], 'never below nothing');
        self::assertSame(0.57, Strength::perBodyMass(40, 70));
        $this->expectException(InvalidArgumentException::class);
        Strength::symmetry(300, 0, false);
    }

    public function testALoadIsWorkedOutFromSetsAndTheBodysPart(): void
    {
        $sets = static fn(int|float $kg, int $reps, ?int $rir = null): array => [
            new LoggedSet(reps: $reps, load_kg: $kg, rir: $rir),
        ];
        // 40 kg ten times with two in reserve: 56 kg once; for eight 44.2 kg, so 42.5 on the bar.
        self::assertSame(42.5, Work::loadFor($sets(40, 10, 2), 8, 0, 2.5));
        // With 35 kg of the body: 105 kg once; for eight 82.9 kg, of which 47.5 on the bar.
        self::assertSame(47.5, Work::loadFor($sets(40, 10, 2), 8, 35, 2.5));
        self::assertNull(Work::loadFor([], 8, 0, 2.5));
        self::assertSame(0, Work::loadFor($sets(0, 5), 20, 35, 2.5), 'never less than nothing');
        $chance = new Randomizer(new Mt19937(2));
        for ($i = 0; $i < 300; $i++) {
            [$kg, $reps, $body] = [$chance->getInt(5, 120), $chance->getInt(2, 15), $chance->getInt(0, 60)];
            $load = Work::loadFor($sets($kg, $reps, 0), $reps, $body, 2.5);
            self::assertNotNull($load);
            self::assertLessThanOrEqual($kg, $load);
            self::assertGreaterThan($kg - 2.5, $load, 'for the same repetitions the same load, down to a step');
        }
    }

    /** @return iterable<string, array{string, Mode, Limbs, array{int|float|null, int|float|null, int|float, int|float|null, int|float|null}}> dose; seconds of a set, under tension, in all; kilograms; landings */
    public static function doses(): iterable
    {
        $tempo = '"tempo": {"lift_s": 3, "top_s": 0, "lower_s": 3, "bottom_s": 1, "starts": "lower"}';
        yield 'holds' => [
            '{"sets": 5, "reps": 1, "hold_s": 45, "rest_s": 120}',
            Mode::Isometric,
            Limbs::Affected,
            [45, 225, 705, null, null],
        ];
        yield 'short holds in a set' => [
            '{"sets": 2, "reps": 10, "hold_s": 3, "rest_s": 60}',
            Mode::Isometric,
            Limbs::Together,
            [30, 60, 120, null, null],
        ];
        yield 'a press, each side in turn' => [
            "{\"sets\": 3, \"reps\": 8, \"rest_s\": 60, \"load_kg\": 40, $tempo}",
            Mode::Isotonic,
            Limbs::Each,
            [56, 168, 6 * 56 + 5 * 60, 960, null],
        ];
        yield 'a squat, with its part of the body' => [
            "{\"sets\": 3, \"reps\": 8, \"rest_s\": 60, \"load_kg\": 10, \"body_fraction\": 0.85, $tempo}",
            Mode::Isotonic,
            Limbs::Together,
            [56, 168, 288, 24 * (10 + 0.85 * 64), null],
        ];
        yield 'unpaced repetitions last nobody knows how long' => [
            '{"sets": 3, "reps": 10, "rest_s": 60}',
            Mode::Isotonic,
            Limbs::Together,
            [null, null, 120, 0, null],
        ];
        yield 'jumps' => [
            '{"sets": 4, "reps": 8, "rest_s": 120, "contacts_per_rep": 2}',
            Mode::Plyometric,
            Limbs::Together,
            [null, null, 360, null, 64],
        ];
        yield 'a run' => [
            '{"sets": 1, "reps": 1, "work_s": 900, "rest_s": 0}',
            Mode::Running,
            Limbs::Together,
            [900, 900, 900, null, null],
        ];
    }

    /** @param array{int|float|null, int|float|null, int|float, int|float|null, int|float|null} $expected */
    #[DataProvider('doses')]
    public function testWhatADoseComesTo(string $dose, Mode $mode, Limbs $limbs, array $expected): void
    {
        $figures = DoseArithmetic::figures($mode, $limbs, Json::read($dose, Dose::read(...)), 64);
        self::assertEquals($expected, [
            $figures->set_s,
            $figures->time_under_tension_s,
            $figures->duration_s,
            $figures->volume_load_kg,
            $figures->contacts,
        ]);
    }

    public function testASessionIsTheSumWithTimeToChangeOver(): void
    {
        $hold = DoseArithmetic::figures(
            Mode::Isometric,
            Limbs::Affected,
            Json::read('{"sets": 5, "reps": 1, "hold_s": 45, "rest_s": 120}', Dose::read(...)),
            64,
        );
        $figures = DoseArithmetic::session([$hold]);
        $two = DoseArithmetic::session([$hold, $hold]);
        self::assertSame(705, $figures['duration_s']);
        self::assertGreaterThan(2 * $figures['duration_s'], $two['duration_s']);
        self::assertSame([450, 0, 0], [$two['time_under_tension_s'], $two['volume_load_kg'], $two['contacts']]);
        self::assertSame(0, DoseArithmetic::session([])['duration_s']);
    }

    public function testADayIsTheOneOfThePlace(): void
    {
        $at = static fn(string $moment, string $zone): string => Zone::named($zone)
            ->dayOf(Moment::fromIso($moment))
            ->toIso();
        self::assertSame('2026-04-14', $at('2026-04-14T23:30:00+01:00', 'Europe/London'));
        self::assertSame(
            '2026-04-15',
            $at('2026-04-14T23:30:00Z', 'Europe/London'),
            'half past midnight, in summer time',
        );
        self::assertSame('2026-01-14', $at('2026-01-14T23:30:00Z', 'Europe/London'));
        self::assertSame('2026-04-13', $at('2026-04-14T02:00:00Z', 'America/Lima'));
        // The nights in which the clocks change have 23 and 25 hours; each moment still has one day.
        $zone = Zone::named('Europe/Berlin');
        foreach (['2026-03-29', '2026-10-25'] as $day) {
            $start = $zone->startOf(Day::fromIso($day));
            self::assertSame($day, $zone->dayOf($start)->toIso());
            self::assertSame(
                Day::fromIso($day)
                    ->plus(-1)
                    ->toIso(),
                $zone
                    ->dayOf(Moment::fromDateTime((new DateTimeImmutable($start->toIso()))->modify('-1 second')))
                    ->toIso(),
            );
        }
        $hours = static fn(string $day): float => ($zone->startOf(Day::fromIso($day)->plus(1))->micros -
            $zone->startOf(Day::fromIso($day))->micros) /
            Moment::HOUR;
        self::assertSame([23.0, 24.0, 25.0], [$hours('2026-03-29'), $hours('2026-06-01'), $hours('2026-10-25')]);
    }

    public function testDaysAreCountedAsTheCalendarCountsThem(): void
    {
        $chance = new Randomizer(new Mt19937(3));
        $utc = new DateTimeZone('UTC');
        for ($i = 0; $i < 300; $i++) {
            $date = (new DateTimeImmutable('2000-01-01', $utc))->modify('+' . $chance->getInt(0, 36000) . ' days');
            $days = $chance->getInt(-2000, 2000);
            $day = Day::fromIso($date->format('Y-m-d'));
            self::assertSame($date->modify("$days days")->format('Y-m-d'), $day->plus($days)->toIso());
            self::assertSame($days, $day->plus($days)->daysSince($day));
            self::assertSame((int) $date->format('N'), $day->weekday());
        }
        self::assertSame(
            ['Tue 14 Apr', 'Sun 29 Feb'],
            [TimeWords::day(Day::fromIso('2026-04-14')), TimeWords::day(Day::fromIso('2032-02-29'))],
        );
        foreach (['2026-02-29', '2026-13-01', '2026-4-14', "2026-04-14\n", '14.04.2026', ''] as $wrong) {
            try {
                Day::fromIso($wrong);
                self::fail("took \"$wrong\"");
            } catch (InvalidArgumentException $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
    }

    public function testAMomentIsAnInstantWithItsOwnOffset(): void
    {
        $here = Moment::fromIso('2026-04-14T07:05:00+02:00');
        self::assertSame(Moment::fromIso('2026-04-14T05:05:00Z')->micros, $here->micros);
        self::assertSame('2026-04-14T07:05:00+02:00', $here->toIso());
        self::assertSame(1, Moment::fromIso('2026-04-14T05:05:00.000001Z')->micros - $here->micros);
        $within = static fn(string $earlier, int $hours): bool => Moment::fromIso($earlier)->withinHoursBefore(
            $here,
            $hours,
        );
        self::assertSame(
            [true, true, false, false],
            [
                $within('2026-04-14T05:05:00Z', 0),
                $within('2026-04-13T05:05:00Z', 24),
                $within('2026-04-13T05:04:59Z', 24),
                $within('2026-04-14T05:05:01Z', 24),
            ],
        );
        foreach (
            [
                '2026-04-14T07:05:00',
                '2026-04-14T24:00:00Z',
                '2026-04-14T07:60:00Z',
                '2026-04-14T07:05:00+19:00',
                '2026-04-14 07:05:00Z',
                '2026-02-30T07:05:00Z',
            ]
            as $wrong
        ) {
            try {
                Moment::fromIso($wrong);
                self::fail("took \"$wrong\"");
            } catch (InvalidArgumentException $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
    }
}
