<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\Beginning;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\ClashKind;
use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\Replanner;
use Rung\Core\Calendar\WeekCheck;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\PlanWeeks;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Structure;
use Rung\Core\Start\RungLevel;
use Rung\Core\Start\StartPlan;
use Rung\Core\Time\Day;

/** docs/rules.md, "What begins later" and "Work beside the stage". */
final class BeginningTest extends TestCase
{
    private const PRESS = [
        'key' => 'press',
        'exercise' => 'leg_press_one',
        'mode' => 'isotonic',
        'limbs' => 'each',
        'slot' => 'slow',
        'dose' => ['sets' => 3, 'reps' => 8, 'reps_to' => 10, 'rest_s' => 60, 'load_kg' => 40],
    ];

    private const EXTRA = [
        'key' => 'extra',
        'exercise' => 'squat',
        'mode' => 'isotonic',
        'limbs' => 'together',
        'slot' => 'slow',
        'dose' => ['sets' => 2, 'reps' => 8, 'rest_s' => 60],
    ];

    public function testAWeekOfTheStageIsWaitedFor(): void
    {
        $case = CaseBuilder::case()->mornings(1, 20, 1)->session(12)->session(14);
        self::assertFalse(
            self::begins($case, ['stage_week' => 3], 14)->changesAnything(),
            'the last day of the second week',
        );
        $step = self::begins($case, ['stage_week' => 3], 15);
        self::assertSame(['press', 'extra'], array_column($step->plan->stages[0]->stage->prescriptions, 'key'));
        self::assertSame([], $step->plan->stages[0]->waiting);
        self::assertSame(['progress', 'extra'], [$step->changes[0]->kind->value, $step->changes[0]->prescription]);
    }

    public function testTheOthersAreWaitedForUntilTheyWereFullOnce(): void
    {
        $sets = static fn(int $reps): array => [
            'sets' => array_fill(0, 3, ['reps' => $reps, 'load_kg' => 40, 'rir' => 2]),
        ];
        $case = static fn(int $reps, int $morning = 1): CaseBuilder => CaseBuilder::case()
            ->press(self::PRESS)
            ->mornings(1, 11, 1)
            ->session(11, 1, $sets($reps))
            ->morning(12, $morning)
            ->morning(13, 1);
        self::assertFalse(self::begins($case(9), ['others' => 'full'], 12)->changesAnything(), 'one repetition short');
        self::assertTrue(self::begins($case(10), ['others' => 'full'], 12)->changesAnything());
        self::assertFalse(
            self::begins($case(10, 2), ['others' => 'full'], 12)->changesAnything(),
            'full, and not well tolerated',
        );
        $short = CaseBuilder::case()
            ->press(self::PRESS)
            ->mornings(1, 13, 1)
            ->session(11, 1, ['sets' => array_fill(0, 2, ['reps' => 10, 'load_kg' => 40])]);
        self::assertFalse(self::begins($short, ['others' => 'full'], 12)->changesAnything(), 'a set is missing');
        // What was raised since, and has begun again at its lower end, was full all the same.
        $raised = $case(10)->change(12, 'progress')->session(13, 1, $sets(8))->morning(14, 1);
        self::assertTrue(self::begins($raised, ['others' => 'full'], 14)->changesAnything());
        $none = CaseBuilder::case()->mornings(1, 14, 1)->session(11)->session(13);
        self::assertFalse(
            self::begins($none, ['others' => 'full'], 14)->changesAnything(),
            'where nothing has a range there is nothing to be full',
        );
    }

    public function testAFindingIsWaitedFor(): void
    {
        $case = CaseBuilder::case()->mornings(1, 14, 1)->session(11)->session(13);
        self::assertFalse(self::begins($case, ['finding' => 'ankle_stiff'], 14, ['calf_tight'])->changesAnything());
        self::assertTrue(
            self::begins($case, ['finding' => 'ankle_stiff'], 14, ['calf_tight', 'ankle_stiff'])->changesAnything(),
        );
    }

    public function testNothingBeginsWhileSomethingWasTooMuch(): void
    {
        $when = ['stage_week' => 2];
        $over = CaseBuilder::case()->mornings(1, 11, 1)->session(11, 5)->morning(12, 1);
        self::assertFalse(self::begins($over, $when, 12)->changesAnything());
        self::assertFalse(
            self::begins($over->change(12, 'ease'), $when, 12, time: '13:00')->changesAnything(),
            'eased, and not answered yet',
        );
        $stopped = CaseBuilder::case()->mornings(1, 11, 1)->session(10, 8)->morning(12, 1);
        self::assertFalse(self::begins($stopped, $when, 12)->changesAnything(), 'under a stop');
        $calm = CaseBuilder::case()->mornings(1, 12, 1)->session(11, 2);
        self::assertTrue(self::begins($calm, $when, 12)->changesAnything());
    }

    public function testWhatWasFoundAtTheStartBeginsWithItsStage(): void
    {
        $catalogue = Support::catalogue();
        $start = static fn(string ...$found): Plan => StartPlan::build(
            $catalogue->programme('knee_comfort_led'),
            $catalogue,
            $catalogue->structure(Structure::PatellarTendon),
            'holds',
            RungLevel::Usual,
            false,
            null,
            goal: Goal::Jumping,
            found: array_values($found),
        )->plan;
        $keys = static fn(Plan $plan, string $stage): array => array_column(
            $plan->stage($stage)->stage->prescriptions ?? [],
            'exercise',
        );
        self::assertNotContains('one_leg_stand', $keys($start(), 'holds'));
        foreach (['holds', 'slow', 'springs', 'act'] as $stage) {
            self::assertContains('one_leg_stand', $keys($start('balance_poor'), $stage));
            self::assertNotContains(
                'ankle_hip_mobility',
                $keys($start('balance_poor'), $stage),
                'what was not found waits',
            );
        }
        // Read back it is the same plan, and every key of it is taken.
        $plan = $start('balance_poor');
        self::assertEquals($plan, Plan::fromJson((string) json_encode($plan->toArray())));
        self::assertSame('bh_mobility-2', $plan->freeKey('bh_mobility'));
        self::assertContains(
            'bh_mobility',
            array_column($plan->fileStages(Goal::Jumping)[4]->prescriptions, 'key'),
            'a case file knows it as not asked for',
        );
    }

    public function testWorkBesideTheStageHasDaysOfItsOwn(): void
    {
        $stage = self::stage(['days' => ['per_week' => 3, 'min_gap_days' => 2]]);
        $placed = PlanCalendar::fill($stage, Day::fromIso('2026-03-02'), 7, Weekday::cases());
        $days = static fn(string $slot): array => array_values(
            array_map(
                static fn(Placed $other): string => substr($other->on->toIso(), 8),
                array_filter($placed, static fn(Placed $other): bool => $other->slot === $slot),
            ),
        );
        self::assertSame(
            [['02', '04', '06', '08'], ['03', '05', '07'], ['02', '04', '06']],
            [$days('slow'), $days('hold'), $days('beside')],
        );
        // Without it the rhythm is the same.
        $without = array_filter(
            PlanCalendar::fill(self::stage([]), Day::fromIso('2026-03-02'), 7, Weekday::cases()),
            static fn(Placed $other): bool => $other->slot !== 'beside',
        );
        self::assertEquals(
            array_values($without),
            array_values(array_filter($placed, static fn(Placed $other): bool => $other->slot !== 'beside')),
        );
        // As long as nothing of it has begun there is no session of it.
        $asked = PlanCalendar::asked(
            new Plan([$stage]),
            $stage,
            Day::fromIso('2026-03-02'),
            Day::fromIso('2026-03-02'),
            7,
            Weekday::cases(),
            [],
            [],
        );
        self::assertNotContains('beside', array_column($asked, 'slot'));
        $begun = $stage->beginning(static fn(): bool => true);
        self::assertContains(
            'beside',
            array_column(
                PlanCalendar::asked(
                    new Plan([$begun]),
                    $begun,
                    Day::fromIso('2026-03-02'),
                    Day::fromIso('2026-03-02'),
                    7,
                    Weekday::cases(),
                    [],
                    [],
                ),
                'slot',
            ),
        );
    }

    public function testItSharesItsDaysAndIsStillNeitherTooOftenNorTooSoon(): void
    {
        $stage = self::stage(['days' => ['per_week' => 3, 'min_gap_days' => 2]]);
        $rules = PlanWeeks::rules($stage, Weekday::cases(), [], []);
        $slots = array_column($stage->slots, null, 'key');
        $kinds = static fn(string ...$booked): array => array_map(
            static fn($clash): ClashKind => $clash->kind,
            (new WeekCheck($rules, $slots))->clashes(self::booked($booked)),
        );
        self::assertSame([], $kinds('slow 02', 'beside 02', 'hold 03', 'slow 04', 'beside 04'));
        self::assertSame([ClashKind::DayFull], $kinds('slow 02', 'hold 02'), 'two that take turns are one too many');
        self::assertSame([ClashKind::TooSoon], $kinds('beside 02', 'beside 03'));
        self::assertContains(ClashKind::WeekFull, $kinds('beside 02', 'beside 04', 'beside 06', 'beside 08'));
        // A blocked day is corrected without touching what stands well on a shared day.
        $blocked = PlanWeeks::rules($stage, Weekday::cases(), [Day::fromIso('2026-03-04')], []);
        $plan = Replanner::replan(
            self::booked(['slow 02', 'beside 02', 'hold 03', 'beside 04', 'hold 05']),
            $blocked,
            $slots,
            Day::fromIso('2026-03-02'),
        );
        self::assertSame([], $plan->after);
        self::assertSame(
            ['beside 04'],
            array_map(static fn(Booked $booked): string => $booked->id, [...$plan->moves, ...$plan->leftOut]),
        );
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function refused(): iterable
    {
        yield 'a time that is none' => ['/slots/0/times/0', ['slots' => [['times' => ['25:00']]]]];
        yield 'more times than sessions' => ['/slots/0/times', ['slots' => [['times' => ['07:30', '18:00']]]]];
        yield 'times that fall' => [
            '/slots/0/times/1',
            ['slots' => [['times_per_day' => 2, 'times' => ['18:00', '07:30']]]],
        ];
        yield 'the same time twice' => [
            '/slots/0/times/1',
            ['slots' => [['times_per_day' => 2, 'times' => ['07:30', '07:30']]]],
        ];
        yield 'turns of one kind alone' => [
            '/slots/2/beside',
            ['slots' => [2 => ['beside' => ['cycle' => ['beside']]]]],
        ];
        yield 'in the rhythm and beside it' => ['/rhythm/cycle/0', ['slots' => [['beside' => ['every_days' => 2]]]]];
        yield 'practice that is none' => [
            '/slots/0/practice',
            ['slots' => [['practice' => [['title' => 'Alone', 'minutes' => 20, 'effort' => 3]]]]],
        ];
        yield 'two conditions' => ['/waiting/0/starts_when', ['waiting' => [['starts_when' => ['stage_week' => 3]]]]];
        yield 'no condition' => ['/waiting/0/starts_when', ['waiting' => [['starts_when' => ['others' => null]]]]];
        yield 'others that are something else' => [
            '/waiting/0/starts_when/others',
            ['waiting' => [['starts_when' => ['others' => 'empty']]]],
        ];
        yield 'a week that has begun' => [
            '/waiting/0/starts_when/stage_week',
            ['waiting' => [['starts_when' => ['others' => null, 'stage_week' => 1]]]],
        ];
        yield 'a slot that is none' => [
            '/waiting/0/prescription/slot',
            ['waiting' => [['prescription' => ['slot' => 'nowhere']]]],
        ];
        yield 'a key that is taken' => [
            '/stages/0/waiting/0/prescription/key',
            ['waiting' => [['prescription' => ['key' => 'press']]]],
        ];
    }

    /** @param array<string, mixed> $spoilt */
    #[DataProvider('refused')]
    public function testABadStageIsRefusedAtItsPlace(string $path, array $spoilt): void
    {
        $stage = array_replace_recursive(self::document([]), $spoilt);
        try {
            Plan::fromJson((string) json_encode(['stages' => [$stage]]));
            self::fail('was taken');
        } catch (InvalidInput $problem) {
            self::assertContains(
                str_starts_with($path, '/stages') ? $path : "/stages/0$path",
                array_column($problem->faults, 'path'),
            );
        }
    }

    /**
     * @param array<string, mixed> $when
     * @param list<string> $found
     */
    private static function begins(
        CaseBuilder $case,
        array $when,
        int $day,
        array $found = [],
        string $time = '12:00',
    ): PlanStep {
        $stage = self::stage(['when' => $when]);
        $evaluation = $case->at($day, $time);
        $press = $evaluation->log->stage->prescriptions[0];

        return Beginning::begin(
            new Plan([$stage->withStage($evaluation->log->stage->withPrescriptions([$press]))]),
            $evaluation,
            $found,
        );
    }

    /** @param array{days?: array<string, int>, when?: array<string, mixed>} $of */
    private static function stage(array $of): PlanStage
    {
        return Plan::fromJson((string) json_encode(['stages' => [self::document($of)]]))->stages[0];
    }

    /**
     * @param array{days?: array<string, int>, when?: array<string, mixed>} $of
     *
     * @return array<string, mixed>
     */
    private static function document(array $of): array
    {
        return [
            'key' => 'slow',
            'title' => 'Slow',
            'mode' => 'isotonic',
            'gate' => [],
            'prescriptions' => [
                self::PRESS,
                [
                    'key' => 'hold',
                    'slot' => 'hold',
                    'exercise' => 'leg_extension_hold',
                    'mode' => 'isometric',
                    'limbs' => 'affected',
                    'dose' => ['sets' => 4, 'reps' => 1, 'hold_s' => 30, 'rest_s' => 60],
                ],
            ],
            'slots' => [
                ['key' => 'slow', 'title' => 'Slow', 'mode' => 'isotonic'],
                ['key' => 'hold', 'title' => 'Holds', 'mode' => 'isometric'],
                [
                    'key' => 'beside',
                    'title' => 'Beside',
                    'mode' => 'control',
                    'beside' => $of['days'] ?? ['every_days' => 2],
                ],
            ],
            'rhythm' => ['cycle' => ['slow', 'hold']],
            'waiting' => [
                [
                    'starts_when' => $of['when'] ?? ['others' => 'full'],
                    'prescription' => isset($of['when']) ? self::EXTRA : ['slot' => 'beside'] + self::EXTRA,
                ],
            ],
        ];
    }

    /**
     * @param array<string> $booked such as "slow 02"
     *
     * @return list<Booked>
     */
    private static function booked(array $booked): array
    {
        return array_map(
            static fn(string $text): Booked => new Booked(
                $text,
                Day::fromIso('2026-03-' . substr($text, -2)),
                substr($text, 0, -3),
            ),
            array_values($booked),
        );
    }
}
