<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Evaluation\SecondOpinions;
use Rung\Core\Number;
use Rung\Core\Plan\Plan;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\ProposedStep;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;
use Rung\Core\Words\GateWords;
use Rung\Core\Words\ProposalWords;

/** Rules that the worked cases reach seldom or never, each by a case of its own. */
final class RulesTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function starts(): iterable
    {
        $low = ['rest' => 0, 'test' => 1, 'settle_min' => 30, 'stiffness_min' => 5];
        yield 'one measure is not enough' => [
            ['rest' => 5],
            ['irritability' => 'unknown', 'reasons' => [], 'stage' => 'hold', 'rung' => 'easiest'],
        ];
        yield 'high by two measures' => [
            ['rest' => 4, 'test' => 6],
            ['irritability' => 'high', 'reasons' => ['rest', 'test'], 'stage' => 'hold', 'rung' => 'easiest'],
        ];
        yield 'medium begins in the middle of the first stage' => [
            ['rest' => 2, 'test' => 4],
            ['irritability' => 'medium', 'stage' => 'hold', 'rung' => 'middle'],
        ];
        yield 'medium, but the test is low and training goes on' => [
            ['rest' => 2, 'test' => 3],
            ['irritability' => 'medium', 'reasons' => ['rest'], 'stage' => 'slow', 'rung' => 'easiest'],
        ];
        yield 'medium, but training has stopped' => [
            ['rest' => 2, 'test' => 3, 'training_days_per_week' => 2],
            ['stage' => 'hold', 'rung' => 'middle'],
        ];
        yield 'low begins with the usual strength' => [
            $low,
            ['irritability' => 'low', 'reasons' => [], 'stage' => 'slow', 'rung' => 'usual'],
        ];
        yield 'low, strong on both sides, wants to jump' => [
            $low + ['symmetry_percent' => 90],
            ['stage' => 'spring', 'rung' => 'easiest'],
        ];
        yield 'low and strong, but for everyday life' => [
            $low + ['symmetry_percent' => 95, 'goal' => 'everyday'],
            ['stage' => 'slow', 'rung' => 'usual'],
        ];
        yield 'low and strong, but rest pain is unknown' => [
            ['rest' => null, 'symmetry_percent' => 95] + $low,
            ['stage' => 'slow'],
        ];
        yield 'springs are missing' => [
            $low + [
                'symmetry_percent' => 95,
                'stages' => [['key' => 'hold', 'mode' => 'isometric'], ['key' => 'slow', 'mode' => 'eccentric']],
            ],
            ['stage' => 'slow', 'rung' => 'usual'],
        ];
        yield 'strength is missing' => [
            $low + ['stages' => [['key' => 'hold', 'mode' => 'isometric']]],
            ['stage' => 'hold', 'rung' => 'usual'],
        ];
        yield 'a risk makes the usual the middle' => [
            $low + ['risks' => ['statin']],
            ['rung' => 'middle', 'notes' => []],
        ];
        yield 'a risk at the easiest is to be careful' => [
            ['rest' => 5, 'test' => 2, 'risks' => ['statin']],
            ['rung' => 'easiest', 'notes' => ['start_carefully']],
        ];
        yield 'an open sign blocks' => [
            $low + ['referral_signs' => [['sign' => 'locking', 'resolved' => false]]],
            ['blocked' => true, 'stage' => null, 'rung' => null],
        ];
        yield 'a resolved sign does not' => [
            $low + ['referral_signs' => [['sign' => 'locking', 'resolved' => true]]],
            ['blocked' => false, 'stage' => 'slow'],
        ];
        yield 'rest pain of 8 blocks' => [['rest' => 8], ['blocked' => true, 'stage' => null]];
        yield 'no stage applies' => [
            $low + ['stages' => [['key' => 'run', 'mode' => 'running', 'goals' => ['running']]]],
            ['blocked' => false, 'stage' => null, 'rung' => null],
        ];
    }

    /**
     * @param array<string, mixed> $found
     * @param array<string, mixed> $expected
     */
    #[DataProvider('starts')]
    public function testWhereToBegin(array $found, array $expected): void
    {
        [, $answer] = Support::rung(
            ['start', '-'],
            (string) json_encode(
                $found + [
                    'goal' => 'jumping',
                    'training_days_per_week' => 3,
                    'stages' => [
                        ['key' => 'hold', 'mode' => 'isometric'],
                        ['key' => 'slow', 'mode' => 'isotonic'],
                        ['key' => 'spring', 'mode' => 'plyometric', 'goals' => ['jumping']],
                        ['key' => 'act', 'mode' => 'sport'],
                    ],
                ],
            ),
        );
        self::assertIsArray($answer);
        self::assertSame($expected, array_intersect_key(array_replace($expected, $answer), $expected));
    }

    public function testSpringsKeepTheirTurnThroughAnEvent(): void
    {
        [, $answer] = Support::rung(
            ['schedule', '-'],
            (string) json_encode([
                'from' => '2026-03-02',
                'days' => 7,
                'available' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
                'events' => ['2026-03-03'],
                'slots' => [
                    ['key' => 'spring', 'mode' => 'plyometric'],
                    ['key' => 'hold', 'mode' => 'isometric', 'times_per_day' => 2],
                    ['key' => 'slow', 'mode' => 'isotonic'],
                ],
                'rhythm' => ['cycle' => ['spring', 'hold', 'slow']],
            ]),
        );
        self::assertIsArray($answer);
        self::assertIsArray($answer['placed']);
        self::assertSame(
            ['hold 1', 'hold 2', 'slow 1', 'hold 1', 'hold 2', 'spring 1', 'hold 1', 'hold 2', 'slow 1', 'spring 1'],
            array_map(static function (mixed $value): string {
                self::assertIsArray($value);
                self::assertIsString($value['slot']);
                self::assertIsInt($value['number']);

                return "{$value['slot']} {$value['number']}";
            }, $answer['placed']),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, list<mixed>, array<string, mixed>|string, 3?: array<string, mixed>}> */
    public static function steps(): iterable
    {
        $press = ['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'load_kg' => 40];
        $set = ['reps' => 8, 'load_kg' => 40, 'rir' => 2];
        yield 'a hold grows by its step and stops at its bound' => [
            ['hold_s' => 43] + $press,
            [['lever' => 'hold', 'to' => 45, 'step' => 5]],
            ['hold_s' => 45],
        ];
        yield 'a lever whose field is missing is passed over' => [
            $press,
            [['lever' => 'percent', 'to' => 80], ['lever' => 'reps', 'to' => 12]],
            ['reps' => 9],
        ];
        yield 'range' => [
            ['range' => ['from_deg' => 10, 'to_deg' => 85]] + $press,
            [['lever' => 'range', 'to' => 90, 'step' => 10]],
            ['range' => ['from_deg' => 10, 'to_deg' => 90]],
        ];
        yield 'tempo moves either way' => [
            ['tempo' => ['lift_s' => 3, 'top_s' => 0, 'lower_s' => 3, 'bottom_s' => 0, 'starts' => 'lift']] + $press,
            [['lever' => 'tempo', 'phase' => 'lift_s', 'to' => 1, 'step' => 0.5]],
            ['tempo' => ['lift_s' => 2.5, 'top_s' => 0, 'lower_s' => 3, 'bottom_s' => 0, 'starts' => 'lift']],
        ];
        yield 'load sets repetitions back' => [
            $press,
            [['lever' => 'load', 'increment_kg' => 1.25, 'back' => ['reps' => 6]]],
            ['load_kg' => 41.25, 'reps' => 6],
        ];
        yield 'load beyond its bound gives way to the next lever' => [
            $press,
            [['lever' => 'load', 'increment_kg' => 5, 'to' => 42], ['lever' => 'sets', 'to' => 4]],
            ['sets' => 4],
        ];
        yield 'a repetition maximum falls, and the load follows the best set' => [
            ['rm' => 8] + $press,
            [['lever' => 'rm', 'to' => 6, 'step' => 3, 'increment_kg' => 2.5]],
            ['rm' => 6, 'reps' => 6, 'load_kg' => 42.5],
        ];
        yield 'fewer repetitions are never at the same weight' => [
            ['rm' => 8, 'load_kg' => 40] + $press,
            [['lever' => 'rm', 'to' => 7, 'step' => 1, 'increment_kg' => 5]],
            ['rm' => 7, 'reps' => 7, 'load_kg' => 45],
        ];
        yield 'a rung that is not reached yet' => [
            $press,
            [['lever' => 'rung', 'to' => 'leg_extension_one'], ['lever' => 'sets', 'to' => 4]],
            'next_rung',
        ];
        yield 'a rung that is reached' => [
            $press,
            [['lever' => 'rung', 'to' => 'leg_press'], ['lever' => 'sets', 'to' => 4]],
            ['sets' => 4],
        ];
        yield 'no lever left' => [$press, [['lever' => 'reps', 'to' => 8]], 'next_rung'];
        yield 'one step a week is open whatever it weighs' => [
            $press,
            [['lever' => 'load', 'increment_kg' => 30]],
            ['load_kg' => 70],
        ];
        yield 'a second is held at the cap' => [
            $press,
            [['lever' => 'load', 'increment_kg' => 30]],
            'hold_at_cap',
            ['dose_changes' => [['at' => '2026-03-18T10:00:00Z', 'kind' => 'progress', 'prescription' => 'press']]],
        ];
        yield 'unless it is within it' => [
            $press,
            [['lever' => 'load', 'increment_kg' => 2.5]],
            ['load_kg' => 42.5],
            ['dose_changes' => [['at' => '2026-03-18T10:00:00Z', 'kind' => 'progress', 'prescription' => 'press']]],
        ];
    }

    /**
     * @param array<string, mixed> $dose
     * @param list<mixed> $levers
     * @param array<string, mixed>|string $expected
     * @param array<string, mixed> $more
     */
    #[DataProvider('steps')]
    public function testTheNextStepOfALever(array $dose, array $levers, array|string $expected, array $more = []): void
    {
        $file = self::settledCase($dose, ['levers' => $levers], $more);
        $evaluated = Evaluator::evaluate($file, Moment::fromIso('2026-03-24T12:00:00Z'))->toArray();
        if ($expected === 'hold_at_cap') {
            self::assertSame(
                [['kind' => 'repeat', 'reasons' => ['held_at_cap']], []],
                [$evaluated['action'], $evaluated['proposals']],
            );

            return;
        }
        $proposals = $evaluated['proposals'];
        self::assertIsArray($proposals);
        self::assertIsArray($proposals[0]);
        if (is_string($expected)) {
            self::assertSame([$expected, null], [$proposals[0]['change'], $proposals[0]['dose']]);
        } else {
            self::assertSame('dose', $proposals[0]['change']);
            self::assertEquals(array_replace($dose, $expected), $proposals[0]['dose']);
        }
    }

    public function testBlocksFollowTheWeeksThatWereTrained(): void
    {
        $blocks = [
            'increment_kg' => 2.5,
            'blocks' => [['from_week' => 1, 'sets' => 3, 'reps' => 8], ['from_week' => 3, 'sets' => 4, 'reps' => 10]],
        ];
        $file = self::settledCase(['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'load_kg' => 40], $blocks);
        $at = static fn(string $moment): array => array_map(
            static fn($proposal): array => [
                $proposal->change->value,
                $proposal->dose?->sets,
                $proposal->dose?->reps,
                $proposal->dose?->load_kg,
            ],
            Evaluator::evaluate($file, Moment::fromIso($moment))->proposals,
        );
        // In the second week of training nothing changes; in the third the repetitions rise and the load may fall.
        self::assertSame([], $at('2026-03-22T12:00:00Z'));
        self::assertSame([['dose', 4, 10, 40]], $at('2026-03-24T12:00:00Z'));
    }

    public function testEvenTheEasiestWasTooMuch(): void
    {
        $plan = Support::catalogue()->programme('knee_four_stage')->plan;
        $over = self::overOn('straight_leg_lift', $plan);
        $step = Acceptance::accept($plan, $over, Support::catalogue());
        self::assertSame(ActionKind::StepDown, $over->action->kind);
        self::assertNull($step->enterStage);
        self::assertTrue($step->plan->rests('ext_hold', $over->log->today->plus(6)));
        self::assertFalse($step->plan->rests('ext_hold', $over->log->today->plus(7)));

        $comfort = Evaluator::evaluate(
            $over->log->file->underRule(Support::catalogue()->school('comfort')->rule),
            $over->log->at,
        );
        self::assertTrue(
            Acceptance::accept($plan, $comfort, Support::catalogue())->plan->rests(
                'ext_hold',
                $over->log->today->plus(13),
            ),
        );
    }

    public function testTheSchoolsPartOnOneLog(): void
    {
        $file = Support::played(3, 40)->file;
        $evaluated = SecondOpinions::compare(
            $file,
            Moment::fromIso(Support::NOW),
            Support::catalogue()->schools,
        )->toArray();

        self::assertCount(9, $evaluated['schools']);
        self::assertNotEmpty($evaluated['parts']);
        foreach ($evaluated['parts'] as $part) {
            self::assertGreaterThan(1, count($part['verdicts']));
            self::assertSame(9, array_sum(array_map(count(...), $part['verdicts'])));
        }
        $own = array_column($evaluated['schools'], 'action', 'school')['tolerable'];
        self::assertSame(Evaluator::evaluate($file, Moment::fromIso(Support::NOW))->action->kind->value, $own);
    }

    public function testEveryProposalIsShownWithItsReasonAndNumbers(): void
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            $evaluation = Evaluator::evaluate(RandomCase::withSeed($seed), Moment::fromIso(Support::NOW));
            $step = Acceptance::accept(
                Support::catalogue()->programme('knee_four_stage')->plan,
                $evaluation,
                Support::catalogue(),
            );
            self::assertMatchesRegularExpression(
                '/^[A-Z].{10,}/',
                ProposalWords::headline(ProposedStep::fromStep($evaluation, $step, Support::catalogue())),
            );
            self::assertMatchesRegularExpression(
                '/^[A-Z].{10,}\.$/',
                ProposalWords::because(ActionGrounds::fromEvaluation($evaluation, $step->plan)),
            );
            foreach ($evaluation->gate->criteria as $criterion) {
                self::assertDoesNotMatchRegularExpression('/_|null|  /', GateWords::criterion($criterion));
            }
        }
    }

    public function testNumbersAreRoundedAndComparedAsAgreed(): void
    {
        self::assertSame([2.3, -2.3, 2], [Number::tenth(2.25), Number::tenth(-2.25), Number::tenth(1.96)]);
        self::assertSame(
            [37.5, 42.5],
            [Number::floorToMultiple(39.999, 2.5), Number::floorToMultiple(42.5 - 1e-10, 2.5)],
        );
        self::assertTrue(Number::atLeast(0.1 + 0.2 - 1e-10, 0.3));
        self::assertFalse(Number::over(0.3 + 1e-10, 0.3));
        self::assertSame([2, 2.5], [Number::median([3, 1, 2]), Number::median([1, 4, 2, 3])]);
    }

    public function testADayBelongsToTheZone(): void
    {
        $day = static fn(string $zone, string $moment): string => Zone::named($zone)
            ->dayOf(Moment::fromIso($moment))
            ->toIso();
        self::assertSame('2026-03-30', $day('Pacific/Auckland', '2026-03-29T12:30:00Z'));
        self::assertSame('2026-03-28', $day('America/St_Johns', '2026-03-29T02:00:00Z'));
        self::assertSame('1969-12-31', $day('UTC', '1969-12-31T23:59:59.5Z'));
    }

    /**
     * A case of one exercise, done on eight days and settled each time, ready to progress.
     *
     * @param array<string, mixed> $dose
     * @param array<string, mixed> $progression
     * @param array<string, mixed> $more
     */
    private static function settledCase(array $dose, array $progression, array $more = []): CaseFile
    {
        $case = Support::example('evaluate-002.case');
        $sessions = [];
        $checkIns = [];
        for ($day = 8; $day <= 24; $day++) {
            $date = sprintf('2026-03-%02d', $day);
            $checkIns[] = ['id' => "c$day", 'at' => "{$date}T07:00:00Z", 'provocation' => 1];
            if ($day % 2 === 0 && $day > 8 && $day < 24) {
                $sessions[] = [
                    'id' => "s$day",
                    'stage' => 'slow',
                    'kind' => 'loading',
                    'started_at' => "{$date}T18:00:00Z",
                    'ended_at' => "{$date}T18:40:00Z",
                    'entries' => [
                        [
                            'prescription' => 'press',
                            'pain' => 1,
                            'sets' => array_fill(0, 3, ['reps' => 8, 'load_kg' => 40, 'rir' => 2]),
                        ],
                    ],
                ];
            }
        }

        return CaseFile::fromJson(
            (string) json_encode(
                [
                    'timezone' => 'UTC',
                    'stages' => [
                        [
                            'key' => 'slow',
                            'title' => 'Slow',
                            'mode' => 'isotonic',
                            'gate' => [],
                            'prescriptions' => [
                                [
                                    'key' => 'press',
                                    'exercise' => 'leg_press',
                                    'mode' => 'isotonic',
                                    'limbs' => 'each',
                                    'dose' => $dose,
                                    'progression' => $progression,
                                ],
                            ],
                        ],
                    ],
                    'stage_history' => [['stage' => 'slow', 'from' => '2026-03-09']],
                    'sessions' => $sessions,
                    'check_ins' => $checkIns,
                ] +
                    $more +
                    $case,
            ),
        );
    }

    /** Two sessions of the first stage, both far too much, on an exercise that has nothing below it. */
    private static function overOn(string $exercise, Plan $plan): Evaluation
    {
        $played = Support::played(2, 10)->file;
        $stage = $plan->stages[0]->stage;
        $prescription = $stage->prescriptions[0]->withExercise(
            $exercise,
            $stage->prescriptions[0]->mode,
            $stage->prescriptions[0]->limbs,
            $stage->prescriptions[0]->dose,
            null,
        );
        $file = json_decode(
            (string) json_encode(
                $played
                    ->with([
                        'stages' => [
                            $stage->withPrescriptions([$prescription]),
                            ...array_slice($plan->caseStages(), 1),
                        ],
                        'dose_changes' => [],
                    ])
                    ->toArray(),
            ),
            true,
        );
        self::assertIsArray($file);
        self::assertIsArray($file['sessions']);
        foreach ($file['sessions'] as &$session) {
            self::assertIsArray($session);
            $session['entries'] = [['prescription' => 'ext_hold', 'pain' => 5, 'sets' => [['hold_s' => 10]]]];
        }

        return Evaluator::evaluate(CaseFile::fromJson((string) json_encode($file)), Moment::fromIso(Support::NOW));
    }
}
