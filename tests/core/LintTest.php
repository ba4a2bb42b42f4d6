<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Lint\Linter;
use Rung\Core\Lint\LintNote;
use Rung\Core\Lint\LintSubject;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Day;

/** What is pointed out in a prescription: each rule just over its limit and just inside it. */
final class LintTest extends TestCase
{
    private const MONDAY = '2026-04-13';

    /**
     * A stage of one or more exercises, written as a plan has it.
     *
     * @param list<array{string, array<array-key, mixed>}> $exercises with what differs from their usual dose
     * @param array<array-key, mixed> $rhythm
     */
    private static function stage(
        array $exercises,
        string $mode = 'isometric',
        array $rhythm = ['every_days' => 2],
        int $timesPerDay = 1,
    ): PlanStage {
        $prescriptions = [];
        foreach ($exercises as $i => [$key, $dose]) {
            $exercise = Support::catalogue()->exercise($key);
            $prescriptions[] =
                [
                    'key' => $i === 0 ? 'press' : "p$i",
                    'exercise' => $key,
                    'mode' => $exercise->mode->value,
                    'limbs' => $exercise->limbs->value,
                    'slot' => 's',
                    'dose' => array_replace($exercise->dose->toArray(), $dose),
                ] +
                (isset($dose['blocks']) ? ['progression' => ['blocks' => $dose['blocks'], 'increment_kg' => 1]] : []);
            unset($prescriptions[$i]['dose']['blocks']);
        }
        $plan = Plan::fromJson(
            (string) json_encode([
                'stages' => [
                    [
                        'key' => 'slow',
                        'title' => 'One',
                        'mode' => $mode,
                        'gate' => [['type' => 'sign_off']],
                        'prescriptions' => $prescriptions,
                        'slots' => [
                            ['key' => 's', 'title' => 'Session', 'mode' => $mode, 'times_per_day' => $timesPerDay],
                        ],
                        'rhythm' => $rhythm,
                    ],
                ],
            ]),
        );

        return $plan->stages[0];
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return list<string> keys of what is pointed out
     */
    private static function lint(
        PlanStage $stage,
        Structure $structure = Structure::PatellarTendon,
        string $school = 'tolerable',
        array $more = [],
    ): array {
        $catalogue = Support::catalogue();
        $calendar = PlanCalendar::fill($stage, Day::fromIso(self::MONDAY), 14, Weekday::cases());
        $arguments = $more + [
            'calendar' => $calendar,
            'bodyMassKg' => 70,
            'irritable' => false,
            'daysSinceOpened' => 100,
        ];
        $subject = new LintSubject(
            $catalogue,
            $catalogue->structure($structure),
            $catalogue->school($school)->rule,
            $stage,
            // @phpstan-ignore argument.type (the names and types are the constructor's own)
            ...$arguments,
        );

        return array_map(static fn(LintNote $note): string => $note->key->value, Linter::lint($subject));
    }

    public function testGrowthIsShownAgainstWhatWasDoneToo(): void
    {
        $done = static fn(array $set): TrainingSummary => TrainingSummary::fromEvaluation(
            CaseBuilder::case()
                ->mornings(4, 8, 1)
                ->session(8, 1, ['sets' => array_fill(0, 3, $set)])
                ->morning(9, 1)
                ->at(9),
        );
        $press = static fn(array $dose): PlanStage => self::stage(
            [['leg_press_one', $dose + ['sets' => 3, 'reps' => 8, 'load_kg' => 40]]],
            'isotonic',
        );
        $words = static function (PlanStage $after, TrainingSummary $summary) use ($press): array {
            $catalogue = Support::catalogue();
            $notes = Linter::lint(
                new LintSubject(
                    $catalogue,
                    $catalogue->structure(Structure::PatellarTendon),
                    $catalogue->school('tolerable')->rule,
                    $after,
                    false,
                    before: $press([])->stage->prescriptions,
                    bodyMassKg: 70,
                    sessionMinutes: 60,
                    summary: $summary,
                ),
            );

            return array_values(
                array_map(
                    static fn(LintNote $note): string => $note->words,
                    array_filter($notes, static fn(LintNote $note): bool => $note->key->value === 'growth'),
                ),
            );
        };
        // 3 × 8 at 42 kg: 5 % over what was asked, twice what was done.
        self::assertSame(
            [
                "Leg press, one leg: +110 % of work against what was done on Sun 8 Mar, the school's limit is 10 % a week.",
            ],
            $words($press(['load_kg' => 42]), $done(['reps' => 4, 'load_kg' => 40])),
        );
        self::assertSame([], $words($press(['load_kg' => 42]), $done(['reps' => 8, 'load_kg' => 40])));
        self::assertSame([], $words($press([]), $done(['reps' => 4, 'load_kg' => 40])), 'nothing grew');
        self::assertCount(
            2,
            $words($press(['load_kg' => 60]), $done(['reps' => 4, 'load_kg' => 40])),
            'each has a note of its own',
        );
    }

    /** @return iterable<string, array{list<string>, PlanStage, Structure, string, array<string, mixed>}> */
    public static function cases(): iterable
    {
        $knee = Structure::PatellarTendon;
        $hold = static fn(array $dose): PlanStage => self::stage([['leg_extension_hold', $dose]]);
        yield 'heavy at 70 %' => [[], $hold(['percent_mvc' => 70]), $knee, 'heavy', []];
        yield 'heavy at 69 %' => [['too_light_heavy'], $hold(['percent_mvc' => 69]), $knee, 'heavy', []];
        yield 'heavy hold of 29 s' => [['short_heavy_hold'], $hold(['hold_s' => 29]), $knee, 'heavy', []];
        yield 'a hold at half' => [[], $hold(['percent_mvc' => 50]), $knee, 'tolerable', []];
        yield 'a hold under half' => [['too_light_hold'], $hold(['percent_mvc' => 49]), $knee, 'tolerable', []];
        yield 'fifteen of twenty' => [
            ['easy_high_reps'],
            self::stage([['leg_press_one', ['reps' => 15, 'rm' => 20]]], 'isotonic'),
            $knee,
            'tolerable',
            [],
        ];
        yield 'fifteen of nineteen' => [
            [],
            self::stage([['leg_press_one', ['reps' => 15, 'rm' => 19]]], 'isotonic'),
            $knee,
            'tolerable',
            [],
        ];
        yield 'nothing direct' => [['no_target'], self::stage([['squat', []]], 'isotonic'), $knee, 'tolerable', []];

        $jumps = static fn(array $rhythm): PlanStage => self::stage([['one_leg_hop', []]], 'plyometric', $rhythm);
        yield 'springs every other day' => [[], $jumps(['every_days' => 2]), $knee, 'tolerable', []];
        yield 'springs day after day' => [['too_close'], $jumps(['every_days' => 1]), $knee, 'tolerable', []];
        yield 'heavy day after day' => [
            ['too_close'],
            self::stage([['leg_press_one', ['reps' => 6, 'rm' => 6]]], 'isotonic', ['every_days' => 1]),
            $knee,
            'tolerable',
            [],
        ];
        yield 'springs on the day before' => [
            ['springs_near_event'],
            $jumps(['every_days' => 14]),
            $knee,
            'tolerable',
            ['events' => [Day::fromIso('2026-04-14')]],
        ];
        yield 'springs two days before' => [
            [],
            $jumps(['every_days' => 14]),
            $knee,
            'tolerable',
            ['events' => [Day::fromIso('2026-04-15')]],
        ];
        $twice = self::stage([['decline_eccentric', []]], 'eccentric', ['cycle' => ['s']], 2);
        yield 'twice a day, all week' => [['no_rest_day'], $twice, $knee, 'provoked', ['loweringOnly' => true]];

        yield 'deep bend while irritable' => [
            ['no_target', 'avoid_position'],
            self::stage([['wall_sit', []]]),
            Structure::QuadricepsTendon,
            'tolerable',
            ['irritable' => true],
        ];
        $press = static fn(int $to): PlanStage => self::stage(
            [['step_up', ['range' => ['from_deg' => 10, 'to_deg' => $to]]]],
            'isotonic',
        );
        yield 'a range up to the edge' => [
            [],
            $press(70),
            Structure::QuadricepsTendon,
            'tolerable',
            ['irritable' => true],
        ];
        yield 'a range over the edge' => [
            ['avoid_position'],
            $press(71),
            Structure::QuadricepsTendon,
            'tolerable',
            ['irritable' => true],
        ];
        yield 'long lever in week two' => [
            ['long_lever_early'],
            self::stage([['raise_free', []]], 'isotonic'),
            Structure::Supraspinatus,
            'low',
            ['daysSinceOpened' => 41],
        ];
        yield 'long lever after six' => [
            [],
            self::stage([['raise_free', []]], 'isotonic'),
            Structure::Supraspinatus,
            'low',
            ['daysSinceOpened' => 42],
        ];
        yield 'heel drop at the insertion' => [
            ['no_target', 'heel_drop'],
            self::stage([['heel_raise_step', []]], 'isotonic'),
            Structure::AchillesInsertion,
            'no_worse',
            ['irritable' => true],
        ];
        yield 'weight on a bare heel' => [
            ['barefoot'],
            self::stage([['heel_raise_one_floor', ['load_kg' => 5]]], 'isotonic'),
            Structure::AchillesMidportion,
            'no_worse',
            [],
        ];
        yield 'weight in shoes' => [
            [],
            self::stage([['heel_raise_one_pack', []]], 'isotonic'),
            Structure::AchillesMidportion,
            'no_worse',
            [],
        ];
        yield 'longer than there is time' => [
            ['too_long'],
            $hold(['sets' => 5, 'hold_s' => 45]),
            $knee,
            'tolerable',
            ['sessionMinutes' => 11],
        ];
        yield 'over an hour, where nobody asked for the time' => [
            ['too_long'],
            $hold(['sets' => 20, 'hold_s' => 45, 'rest_s' => 150]),
            $knee,
            'tolerable',
            [],
        ];
        yield 'an hour at most' => [[], $hold(['sets' => 15, 'hold_s' => 45, 'rest_s' => 150]), $knee, 'tolerable', []];
        yield 'as long as there is time' => [
            [],
            $hold(['sets' => 5, 'hold_s' => 45]),
            $knee,
            'tolerable',
            ['sessionMinutes' => 12],
        ];

        $before = static fn(PlanStage $stage): array => ['before' => $stage->stage->prescriptions];
        yield 'one thing changed' => [[], $hold(['hold_s' => 33]), $knee, 'tolerable', $before($hold([]))];
        yield 'two things changed' => [
            ['several_levers', 'growth'],
            $hold(['hold_s' => 33, 'load_kg' => 25, 'sets' => 4]),
            $knee,
            'tolerable',
            $before($hold([])),
        ];
        yield 'load up, hold back: one lever' => [
            [],
            $hold(['hold_s' => 30, 'load_kg' => 22.5]),
            $knee,
            'tolerable',
            $before($hold(['hold_s' => 45])),
        ];
        yield 'a tenth more' => [[], $hold(['hold_s' => 33]), $knee, 'tolerable', $before($hold(['hold_s' => 30]))];
        yield 'over a tenth more' => [
            ['growth'],
            $hold(['hold_s' => 34]),
            $knee,
            'tolerable',
            $before($hold(['hold_s' => 30])),
        ];
        yield 'over a tenth, under a wider school' => [
            [],
            $hold(['hold_s' => 34, 'percent_mvc' => 70]),
            $knee,
            'moderate',
            $before($hold(['hold_s' => 30])),
        ];
        $two = self::stage([['leg_extension_hold', ['hold_s' => 30]], ['leg_press_hold', ['hold_s' => 30]]]);
        yield 'an exercise more is growth in all' => [
            ['growth'],
            $two,
            $knee,
            'tolerable',
            $before($hold(['hold_s' => 30])),
        ];
        yield 'an exercise more of another kind is none' => [
            [],
            self::stage([['leg_extension_hold', ['hold_s' => 30]], ['leg_press_one', []]], 'mixed'),
            $knee,
            'tolerable',
            $before($hold(['hold_s' => 30])),
        ];
        $blocks = [['from_week' => 1, 'sets' => 3, 'reps' => 12], ['from_week' => 3, 'sets' => 4, 'reps' => 10]];
        yield 'blocks fix their own growth' => [
            ['growth'],
            self::stage([['leg_press_one', ['blocks' => $blocks]]], 'isotonic'),
            $knee,
            'tolerable',
            [],
        ];
    }

    /**
     * @param list<string> $expected
     * @param array<string, mixed> $more
     */
    #[DataProvider('cases')]
    public function testEachRuleAtItsLimit(
        array $expected,
        PlanStage $stage,
        Structure $structure,
        string $school,
        array $more,
    ): void {
        self::assertSame($expected, self::lint($stage, $structure, $school, $more));
    }

    public function testTheRealPercentageIsShown(): void
    {
        $catalogue = Support::catalogue();
        $before = self::stage([['leg_extension_hold', ['hold_s' => 30]]])->stage->prescriptions;
        $notes = Linter::lint(
            new LintSubject(
                $catalogue,
                $catalogue->structure(Structure::PatellarTendon),
                $catalogue->school('tolerable')->rule,
                self::stage([['leg_extension_hold', ['hold_s' => 40]]]),
                false,
                before: $before,
            ),
        );
        self::assertSame(
            "Leg-extension hold at 60°: +33.3 % of work, the school's limit is 10 % a week.",
            $notes[0]->words,
        );
    }

    public function testLoweringAloneIsShownAfterSixWeeks(): void
    {
        $lowering = self::stage([['decline_eccentric', []]], 'eccentric', ['every_days' => 3]);
        $since = static fn(string $from): CaseBuilder => CaseBuilder::case()->with([
            'case' => ['opened_on' => '2026-01-01'],
            'stage_history' => [['stage' => 'slow', 'from' => $from]],
        ]);
        self::assertSame(
            [],
            self::lint($lowering, more: ['summary' => TrainingSummary::fromEvaluation($since('2026-01-30')->at(13))]),
        );
        self::assertSame(
            ['lowering_only'],
            self::lint($lowering, more: ['summary' => TrainingSummary::fromEvaluation($since('2026-01-29')->at(13))]),
        );
        self::assertSame(
            [],
            self::lint(
                $lowering,
                more: [
                    'summary' => TrainingSummary::fromEvaluation($since('2026-01-29')->at(13)),
                    'loweringOnly' => true,
                ],
            ),
        );
    }

    public function testACaseIsLookedAtByItsAnswers(): void
    {
        $stage = self::stage([['leg_press_one', []]], 'isotonic');
        $of = static fn(CaseBuilder $case, int $day): array => self::lint(
            $stage,
            more: ['summary' => TrainingSummary::fromEvaluation($case->at($day))],
        );
        $reserve = static fn(int $rir): CaseBuilder => CaseBuilder::case()
            ->mornings(1, 8, 1)
            ->session(8, 1, ['sets' => [['reps' => 15, 'load_kg' => 40, 'rir' => $rir]]]);
        self::assertSame([[], ['easy_high_reps']], [$of($reserve(4), 9), $of($reserve(5), 9)]);

        $planned = static fn(int $done): CaseBuilder => array_reduce(
            range(1, $done),
            static fn(CaseBuilder $case, int $i): CaseBuilder => $case->session(5 + $i, 1, ['planned' => "w$i"]),
            CaseBuilder::case()
                ->mornings(1, 17, 1)
                ->with([
                    'planned' => array_map(
                        static fn(int $i): array => [
                            'id' => "w$i",
                            'on' => sprintf('2026-03-%02d', 5 + $i),
                            'slot' => 's',
                        ],
                        range(1, 10),
                    ),
                ]),
        );
        self::assertSame([[], ['little_done']], [$of($planned(6), 16), $of($planned(5), 16)]);
        // Three weeks of settled answers with all of it done, and nothing changed: too timid.
        $timid = $planned(10)->with(['stage_history' => [['stage' => 'slow', 'from' => '2026-02-20']]]);
        self::assertSame(['too_timid'], $of($timid, 17));
        self::assertSame([], $of($timid->change(10, 'progress'), 17));
    }

    public function testAPlateauNamesTheOneThingToChange(): void
    {
        $catalogue = Support::catalogue();
        $stuck = CaseBuilder::case()
            ->with([
                'case' => ['opened_on' => '2026-01-01'],
                'stage_history' => [['stage' => 'slow', 'from' => '2026-01-01']],
            ])
            ->mornings(25, 31, 4);
        $first = array_map(
            static fn(int $day): array => [
                'id' => "j$day",
                'at' => sprintf('2026-01-%02dT07:00:00Z', $day),
                'provocation' => 3,
            ],
            range(2, 6),
        );
        $file = $stuck->with(['check_ins' => [...array_fill(0, 7, []), ...$first]]);
        $evaluation = $file->at(31);
        $note = static fn(PlanStage $stage): string => implode(
            '',
            array_map(
                static fn(LintNote $lintNote): string => $lintNote->words,
                array_filter(
                    Linter::lint(
                        new LintSubject(
                            $catalogue,
                            $catalogue->structure(Structure::PatellarTendon),
                            $catalogue->school('tolerable')->rule,
                            $stage,
                            false,
                            bodyMassKg: 70,
                            daysSinceOpened: 90,
                            summary: TrainingSummary::fromEvaluation($evaluation),
                        ),
                    ),
                    static fn(LintNote $lintNote): bool => $lintNote->key->value === 'plateau',
                ),
            ),
        );
        self::assertStringContainsString(
            'slow strength beside the holds',
            $note(self::stage([['leg_extension_hold', []]])),
        );
        self::assertStringContainsString(
            'Leg press, one leg in place of Leg press, two legs',
            $note(self::stage([['leg_press_two', []], ['leg_extension_hold', []]], 'isotonic')),
        );
        $top = $note(self::stage([['leg_press_one', []], ['leg_extension_hold', []]], 'isotonic'));
        self::assertMatchesRegularExpression(
            '/thing: (Step-down|Leg extension, one leg) in place of Leg press, one leg/',
            $top,
            'never an easier one',
        );
    }
}
