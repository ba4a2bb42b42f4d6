<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every criterion of docs/rules.md, "The gate of a stage", on both sides of its edge. */
final class GatesTest extends TestCase
{
    /** @return iterable<string, array{CaseBuilder, int, array<string, mixed>, array{string, int|float|null}}> case, day, criterion, state and value */
    public static function criteria(): iterable
    {
        $case = static fn(): CaseBuilder => CaseBuilder::case()
            ->mornings(4, 8, 1)
            ->session(8, 2)
            ->mornings(9, 10, 1)
            ->session(10, 3)
            ->morning(11, 2);
        $test = static fn(string $on, float $affected, float $other): array => [
            'test' => 'strength',
            'on' => $on,
            'affected' => $affected,
            'unaffected' => $other,
            'unit' => 'N',
        ];
        $tested = static fn(array ...$tests): CaseBuilder => CaseBuilder::case()->with([
            'tests' => array_values($tests),
        ]);

        yield 'days, one too few' => [$case(), 11, ['type' => 'days_in_stage', 'min' => 11], ['not_yet', 10]];
        yield 'days, enough' => [$case(), 12, ['type' => 'days_in_stage', 'min' => 11], ['met', 11]];

        yield 'pain at its limit' => [
            $case(),
            11,
            ['type' => 'exercise_pain', 'max' => 3, 'days' => 7, 'min_sessions' => 2],
            ['met', 3],
        ];
        yield 'pain over it' => [
            $case(),
            11,
            ['type' => 'exercise_pain', 'max' => 2, 'days' => 7, 'min_sessions' => 2],
            ['not_yet', 3],
        ];
        yield 'too few sessions, the worst given all the same' => [
            $case(),
            11,
            ['type' => 'exercise_pain', 'max' => 3, 'days' => 3, 'min_sessions' => 2],
            ['no_data', 3],
        ];
        yield 'a session six days back counts in seven days' => [
            $case(),
            14,
            ['type' => 'exercise_pain', 'max' => 3, 'days' => 7, 'min_sessions' => 2],
            ['met', 3],
        ];
        yield 'seven days back it does not' => [
            $case(),
            15,
            ['type' => 'exercise_pain', 'max' => 3, 'days' => 7, 'min_sessions' => 2],
            ['no_data', 3],
        ];

        yield 'scores from before the stage count' => [
            $case()->with(['stage_history' => [['stage' => 'slow', 'from' => '2026-03-10']]]),
            11,
            ['type' => 'provocation', 'max' => 2, 'days' => 7, 'min_readings' => 7],
            ['met', 2],
        ];
        yield 'too few scores' => [
            $case(),
            11,
            ['type' => 'provocation', 'max' => 2, 'days' => 7, 'min_readings' => 8],
            ['no_data', 2],
        ];
        yield 'no score' => [
            CaseBuilder::case(),
            11,
            ['type' => 'provocation', 'max' => 2, 'days' => 7, 'min_readings' => 1],
            ['no_data', null],
        ];

        $over = CaseBuilder::case()->mornings(4, 8, 1)->session(8, 5)->mornings(9, 10, 1)->session(10)->morning(11, 1);
        yield 'clean since the one that was too much' => [$over, 13, ['type' => 'clean_days', 'min' => 5], ['met', 5]];
        yield 'a day sooner' => [clone $over, 12, ['type' => 'clean_days', 'min' => 5], ['not_yet', 4]];
        yield 'clean since the stage began' => [$case(), 11, ['type' => 'clean_days', 'min' => 10], ['met', 10]];
        yield 'clean, but with nothing judged' => [
            CaseBuilder::case(),
            11,
            ['type' => 'clean_days', 'min' => 5],
            ['no_data', 10],
        ];
        yield 'clean, but with too little judged' => [
            $case(),
            11,
            ['type' => 'clean_days', 'min' => 5, 'min_sessions' => 3],
            ['no_data', 10],
        ];

        yield 'symmetry of the latest test' => [
            $tested($test('2026-03-02', 300, 400), $test('2026-03-08', 360, 400)),
            11,
            ['type' => 'symmetry', 'test' => 'strength', 'min_percent' => 90],
            ['met', 90],
        ];
        yield 'of two on one day the later in the file' => [
            $tested($test('2026-03-08', 360, 400), $test('2026-03-08', 300, 400)),
            11,
            ['type' => 'symmetry', 'test' => 'strength', 'min_percent' => 90],
            ['not_yet', 75],
        ];
        yield 'where both are affected, the smaller to the larger' => [
            $tested($test('2026-03-08', 400, 360))->with(['case' => ['side' => 'both']]),
            11,
            ['type' => 'symmetry', 'test' => 'strength', 'min_percent' => 91],
            ['not_yet', 90],
        ];
        yield 'a test of tomorrow' => [
            $tested($test('2026-03-12', 400, 400)),
            11,
            ['type' => 'symmetry', 'test' => 'strength', 'min_percent' => 90],
            ['no_data', null],
        ];
        yield 'a test that is too old' => [
            $tested($test('2026-03-02', 400, 400)),
            11,
            ['type' => 'symmetry', 'test' => 'strength', 'min_percent' => 90, 'within_days' => 9],
            ['no_data', null],
        ];
        yield 'and one that is just in time' => [
            $tested($test('2026-03-02', 400, 400)),
            11,
            ['type' => 'symmetry', 'test' => 'strength', 'min_percent' => 90, 'within_days' => 10],
            ['met', 100],
        ];
        yield 'the value of the affected side' => [
            $tested($test('2026-03-08', 330, 400)),
            11,
            ['type' => 'test_value', 'test' => 'strength', 'min' => 331],
            ['not_yet', 330],
        ];
        yield 'of both the smaller' => [
            $tested($test('2026-03-08', 400, 330))->with(['case' => ['side' => 'both']]),
            11,
            ['type' => 'test_value', 'test' => 'strength', 'min' => 331],
            ['not_yet', 330],
        ];
        yield 'another test' => [
            $tested($test('2026-03-08', 400, 330)),
            11,
            ['type' => 'test_value', 'test' => 'range', 'min' => 1],
            ['no_data', null],
        ];

        yield 'a dose reached' => [
            $case(),
            11,
            ['type' => 'reached', 'prescription' => 'press', 'sets' => 3, 'reps' => 8, 'load_kg' => 40, 'rir_min' => 2],
            ['met', 3],
        ];
        yield 'not with that load' => [
            $case(),
            11,
            ['type' => 'reached', 'prescription' => 'press', 'sets' => 3, 'load_kg' => 42.5],
            ['not_yet', 0],
        ];
        yield 'sets of two entries of one session are added' => [
            CaseBuilder::case()
                ->mornings(4, 8, 1)
                ->session(8, 1, [
                    'entries' => array_fill(0, 2, [
                        'prescription' => 'press',
                        'pain' => 1,
                        'sets' => array_fill(0, 2, ['reps' => 8]),
                    ]),
                ])
                ->morning(9, 1),
            11,
            ['type' => 'reached', 'prescription' => 'press', 'sets' => 4, 'reps' => 8],
            ['met', 4],
        ];
        yield 'a hold counts once where nothing is said' => [
            CaseBuilder::case()
                ->mornings(4, 8, 1)
                ->session(8, 1, ['prescription' => 'hold', 'sets' => [['hold_s' => 45], ['hold_s' => 44]]])
                ->morning(9, 1),
            11,
            ['type' => 'reached', 'prescription' => 'hold', 'sets' => 2, 'reps' => 1, 'hold_s' => 45],
            ['not_yet', 1],
        ];
        yield 'what was too much reaches nothing' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8, 5)->morning(9, 1),
            11,
            ['type' => 'reached', 'prescription' => 'press', 'sets' => 3],
            ['no_data', null],
        ];

        $sport = CaseBuilder::case()->mornings(4, 8, 1);
        foreach ([8 => 'full', 9 => 'partial', 10 => 'full'] as $day => $part) {
            $sport
                ->session($day, 1, ['kind' => 'sport', 'participation' => $part, 'minutes' => 60, 'effort' => 5])
                ->morning($day + 1, 1);
        }
        yield 'practices in full' => [$sport, 12, ['type' => 'sport_sessions', 'min' => 2], ['met', 2]];
        yield 'loading is no practice' => [$case(), 11, ['type' => 'sport_sessions', 'min' => 1], ['not_yet', 0]];

        $planned = $case()->with([
            'planned' => [
                ['id' => 'p1', 'on' => '2026-03-08', 'slot' => 'slow'],
                ['id' => 'p2', 'on' => '2026-03-09', 'slot' => 'slow'],
                ['id' => 'p3', 'on' => '2026-03-10', 'slot' => 'slow'],
                ['id' => 'p4', 'on' => '2026-03-11', 'slot' => 'slow'],
            ],
            'sessions' => [['planned' => 'p1'], ['planned' => 'p3']],
        ]);
        yield 'two of three done, today not counted, rounded down' => [
            $planned,
            11,
            ['type' => 'adherence', 'min_percent' => 67],
            ['not_yet', 66],
        ];
        yield 'nothing due' => [$case(), 11, ['type' => 'adherence', 'min_percent' => 67], ['no_data', null]];

        $scored = CaseBuilder::case()->with([
            'outcomes' => [
                ['measure' => 'severity', 'on' => '2026-03-10', 'score' => 82],
                ['measure' => 'severity', 'on' => '2026-03-02', 'score' => 40],
                ['measure' => 'severity', 'on' => '2026-03-20', 'score' => 10],
            ],
        ]);
        yield 'the latest score up to today' => [
            $scored,
            11,
            ['type' => 'outcome', 'measure' => 'severity', 'min' => 80],
            ['met', 82],
        ];
        yield 'where less is better' => [
            clone $scored,
            11,
            ['type' => 'outcome', 'measure' => 'severity', 'max' => 80],
            ['not_yet', 82],
        ];
        yield 'no score of that measure' => [
            clone $scored,
            11,
            ['type' => 'outcome', 'measure' => 'other', 'max' => 80],
            ['no_data', null],
        ];

        $signed = static fn(string $on, string $stage = 'slow'): CaseBuilder => CaseBuilder::case()
            ->thenStage('springs')
            ->with([
                'stage_history' => [['stage' => 'slow', 'from' => '2026-03-05']],
                'sign_offs' => [['stage' => $stage, 'on' => $on]],
            ]);
        yield 'signed off' => [$signed('2026-03-05'), 11, ['type' => 'sign_off'], ['met', 1]];
        yield 'signed off before the stage' => [$signed('2026-03-04'), 11, ['type' => 'sign_off'], ['not_yet', 0]];
        yield 'signed off tomorrow' => [$signed('2026-03-12'), 11, ['type' => 'sign_off'], ['not_yet', 0]];
        yield 'another stage was signed off' => [
            $signed('2026-03-06', 'springs'),
            11,
            ['type' => 'sign_off'],
            ['not_yet', 0],
        ];
    }

    /**
     * @param array<string, mixed> $criterion
     * @param array{string, int|float|null} $expected
     */
    #[DataProvider('criteria')]
    public function testACriterion(CaseBuilder $case, int $day, array $criterion, array $expected): void
    {
        $gate = $case->gate($criterion)->at($day)->gate;
        $result = $gate->criteria[0]->toArray();

        self::assertSame($expected, [$result['state'], $result['value']]);
        self::assertSame($expected[0] === 'met', $gate->isOpen());
    }

    public function testAnEmptyGateIsNeverOpenAndOneUnmetKeepsItShut(): void
    {
        self::assertFalse(CaseBuilder::case()->at(11)->gate->isOpen());
        $gate = CaseBuilder::case()
            ->gate(['type' => 'days_in_stage', 'min' => 1], ['type' => 'sign_off'])
            ->at(11)->gate;
        self::assertFalse($gate->isOpen());
    }

    public function testTheWeeksLoadIsSummedByKind(): void
    {
        $tempo = ['lift_s' => 3, 'top_s' => 0, 'lower_s' => 3, 'bottom_s' => 1, 'starts' => 'lift'];
        $case = CaseBuilder::case()
            ->press([
                'dose' => [
                    'sets' => 3,
                    'reps' => 8,
                    'rest_s' => 60,
                    'load_kg' => 40,
                    'body_fraction' => 0.5,
                    'tempo' => $tempo,
                ],
            ])
            ->session(3)
            ->session(10)
            ->session(11, 1, ['prescription' => 'hold', 'sets' => [['hold_s' => 30], ['hold_s' => 30, 'reps' => 2]]])
            ->session(12, 2, ['kind' => 'sport', 'prescription' => null, 'sets' => [], 'minutes' => 90, 'effort' => 6]);
        $week = $case->at(13)->toArray()['week'];

        self::assertIsArray($week);
        // 24 repetitions of 7 s with 40 kg and half of 64 kg.
        self::assertEquals(
            [
                'isometric_s' => 90,
                'moving_s' => 168,
                'volume_load_kg' => 1728,
                'contacts' => 0,
                'sport_min' => 90,
                'sport_load' => 540,
                'sessions' => 3,
            ],
            $week['this'],
        );
        self::assertEquals(
            [
                'isometric_s' => 0,
                'moving_s' => 168,
                'volume_load_kg' => 1728,
                'contacts' => 0,
                'sport_min' => 0,
                'sport_load' => 0,
                'sessions' => 1,
            ],
            $week['last'],
        );
        self::assertEquals(
            [
                'isometric_s' => null,
                'moving_s' => 0,
                'volume_load_kg' => 0,
                'contacts' => null,
                'sport_min' => null,
                'sport_load' => null,
                'sessions' => 200,
            ],
            $week['change_percent'],
        );
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>|string}> what of the press is set, what easing changes */
    public static function easings(): iterable
    {
        $dose = static fn(array $fields): array => ['dose' => $fields + ['sets' => 2, 'reps' => 8, 'rest_s' => 60]];
        $load = ['progression' => ['levers' => [['lever' => 'load', 'increment_kg' => 2.5]]]];
        $none = ['progression' => null];
        $range = ['progression' => ['levers' => [['lever' => 'range', 'to' => 90, 'step' => 10]]]];

        yield 'range comes back a step' => [
            $dose(['range' => ['from_deg' => 10, 'to_deg' => 60]]) + $range,
            ['range' => ['from_deg' => 10, 'to_deg' => 50]],
        ];
        yield 'a range of one step is let be, a set goes' => [
            $dose(['sets' => 3, 'range' => ['from_deg' => 10, 'to_deg' => 20]]) + $range,
            ['sets' => 2],
        ];
        yield 'of two sets none goes, a tenth of the load does' => [
            $dose(['load_kg' => 40]) + $load,
            ['load_kg' => 35],
        ];
        yield 'load is not taken to nothing' => [$dose(['load_kg' => 2.7]) + $load, ['load_kg' => 2.5]];
        yield 'the least load gives way to repetitions' => [$dose(['load_kg' => 2.5]) + $load, ['reps' => 6]];
        yield 'timed work' => [$dose(['work_s' => 90, 'reps' => 1]) + $none, ['work_s' => 67]];
        yield 'a hold of an isometric exercise' => [
            ['mode' => 'isometric'] + $dose(['hold_s' => 30, 'reps' => 1]) + $none,
            ['hold_s' => 22],
        ];
        yield 'a hold not under five seconds' => [
            ['mode' => 'isometric'] + $dose(['hold_s' => 6, 'reps' => 1]) + $none,
            ['hold_s' => 5],
        ];
        yield 'nothing left to ease' => [
            ['mode' => 'isometric'] + $dose(['hold_s' => 5, 'reps' => 1]) + $none,
            'previous_rung',
        ];
        yield 'one repetition' => [$dose(['reps' => 1]) + $none, 'previous_rung'];
    }

    /**
     * @param array<string, mixed> $press
     * @param array<string, mixed>|string $expected
     */
    #[DataProvider('easings')]
    public function testHowADoseIsEased(array $press, array|string $expected): void
    {
        $case = CaseBuilder::case()
            ->press($press)
            ->mornings(4, 8, 1)
            ->session(8, 4, ['sets' => [['reps' => 1]]])
            ->morning(9, 1);
        $proposals = $case->at(9)->toArray()['proposals'];
        self::assertIsArray($proposals);
        self::assertCount(1, $proposals, 'the hold was not done');
        self::assertIsArray($proposals[0]);
        self::assertTrue($proposals[0]['preferred']);
        self::assertIsArray($press['dose']);
        if (is_string($expected)) {
            self::assertSame([$expected, null], [$proposals[0]['change'], $proposals[0]['dose']]);
        } else {
            self::assertEquals(array_replace($press['dose'], $expected), $proposals[0]['dose']);
        }
    }
}
