<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Acceptance\Flare;
use Rung\Core\Calendar\Weekday;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Decision\WorkDone;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Prescribe\FromMeasure;
use Rung\Core\Prescribe\Preview;
use Rung\Core\Prescribe\StageDraft;
use Rung\Core\Prescribe\Suggestion;
use Rung\Core\Prescribe\Suggestions;
use Rung\Core\Record\Goal;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\ChangeWords;
use Rung\Core\Words\Ground;
use Rung\Core\Words\Grounds;
use Rung\Core\Words\PreviewWords;
use Rung\Core\Words\SuggestionWords;

/** Prescribing by hand, the flare, and the numbers that a proposal rests on. */
final class PrescribeTest extends TestCase
{
    private const CASES = 120;

    /** @return iterable<string, array{CaseBuilder, int, list<string>}> */
    public static function grounds(): iterable
    {
        $calm = CaseBuilder::case()->mornings(1, 9, 2);
        yield 'a run of settled answers' => [
            $calm->session(5)->session(7),
            9,
            [
                'Settled answers since the last change: 2 / 2 in a row',
                'Worst pain in the session: 1 of 10 / to 3',
                'Test the next morning: 2 of 10 / to 5',
                'Rise over the baseline of 2: 0 / a reaction from 1, too much from 2',
                'Worst pain in the session: 1 of 10 / to 3',
                'Test the next morning: 2 of 10 / to 5',
                'Rise over the baseline of 2: 0 / a reaction from 1, too much from 2',
                'Mean morning test, 7 days: 2 / creeping over 3',
            ],
        ];
        yield 'too much' => [
            CaseBuilder::case()
                ->mornings(1, 5, 2)
                ->session(5, 5, ['settled_min' => 1500])
                ->morning(6, 4),
            6,
            [
                'Worst pain in the session: 5 of 10! / to 3',
                'Back to how it was after: 25 h! / within a day',
                'Test the next morning: 4 of 10 / to 5',
                'Rise over the baseline of 2: +2! / a reaction from 1, too much from 2',
                'Mean morning test, 7 days: 2.33',
            ],
        ];
        yield 'a stop' => [
            CaseBuilder::case()->mornings(1, 5, 2)->morning(6, 2, signs: ['swelling']),
            6,
            ['Reported, not reviewed yet: swelling! / stop at 8 of 10 or a sign', 'Mean morning test, 7 days: 2'],
        ];
        yield 'a long break' => [
            CaseBuilder::case()->mornings(1, 5, 2)->session(3),
            20,
            ['Since the last session: 17 days! / within 14 days'],
        ];
    }

    /** @param list<string> $expected */
    #[DataProvider('grounds')]
    public function testAProposalTellsEveryNumberThatItRestsOn(CaseBuilder $case, int $day, array $expected): void
    {
        $words = array_map(
            static fn(Ground $ground): string => "$ground->what: $ground->value" .
                ($ground->beyond ? '!' : '') .
                ($ground->limit === null ? '' : " / $ground->limit"),
            Grounds::fromEvaluation($case->at($day)),
        );
        self::assertSame($expected, $words);
    }

    public function testWhatIsKeptOfACaseAnswersAsTheWholeLogDoes(): void
    {
        foreach (range(1, self::CASES) as $seed) {
            $evaluation = Evaluator::evaluate(RandomCase::withSeed($seed), Moment::fromIso(Support::NOW));
            $course = TrainingSummary::fromJson(
                (string) json_encode(TrainingSummary::fromEvaluation($evaluation)->toArray()),
            );
            $work = $evaluation->work;
            self::assertSame($work->weekOfStage(), $course->weekOfStage());
            foreach ($evaluation->log->prescriptions as $prescription) {
                if ($work->lastSession($prescription) === null) {
                    continue;
                }
                $seen = static fn(WorkDone $words): array => [
                    $words->changedThisWeek($prescription),
                    $words->base($prescription),
                    $words->heaviestKg($prescription),
                    $words->lastSets($prescription),
                    $words->lastWasFull($prescription),
                    $words->bodyMassKg(),
                    $words->weekGrowthMaxPercent(),
                ];
                self::assertEquals($seen($work), $seen($course), "case $seed, $prescription->key");
            }
        }
    }

    public function testSuggestedLoadsRestOnWhatWasLoggedAndTested(): void
    {
        $case = CaseBuilder::case()
            ->mornings(1, 9, 1)
            ->session(8, 1, ['sets' => [['reps' => 10, 'load_kg' => 40, 'rir' => 2]]])
            ->with([
                'tests' => [
                    [
                        'test' => Support::catalogue()->structure(Structure::PatellarTendon)->strengthTest,
                        'on' => '2026-03-02',
                        'affected' => 300,
                        'unaffected' => 400,
                        'unit' => 'N',
                    ],
                ],
            ]);
        $words = static function (array $dose, string $mode = 'isotonic', string $exercise = 'leg_press_one') use (
            $case,
        ): array {
            $prescription = self::prescription([
                'key' => 'press',
                'exercise' => $exercise,
                'mode' => $mode,
                'dose' => $dose + ['sets' => 3, 'reps' => 8, 'rest_s' => 60],
                'progression' => null,
            ]);
            $found = Suggestions::forPrescription(
                $prescription,
                TrainingSummary::fromEvaluation($case->at(9)),
                Support::catalogue()->structure(Structure::PatellarTendon),
            );

            return array_map(
                static fn(Suggestion $suggestion): string => $suggestion->field .
                    '|' .
                    ($suggestion->field === null ? '' : $suggestion->value) .
                    '|' .
                    SuggestionWords::describe($suggestion, $prescription),
                $found,
            );
        };
        // 40 × (1 + 12 / 30) = 56; for eight: 56 / (1 + 8 / 30) = 44.2.
        self::assertSame(
            ['load_kg|44|44 kg is about 8 RM, by 10 × 40 kg with 2 in reserve on Sun 8 Mar'],
            $words(['rm' => 8]),
        );
        self::assertSame(['||1 RM about 56 kg, by 10 × 40 kg with 2 in reserve on Sun 8 Mar'], $words([]));
        self::assertSame([], $words(['rm' => 8], 'isotonic', 'leg_extension_one'), 'another exercise was done then');
        self::assertSame(
            [
                '||70 % of 300 N: hold at 210 N (195–225), tested Mon 2 Mar',
                'effort|7|without a gauge, effort 7 of 10 stands for 70 %',
            ],
            $words(['hold_s' => 30, 'percent_mvc' => 70], 'isometric'),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, int|float|null}> by a maximum of 120 kg on the weaker side */
    public static function fromMaximum(): iterable
    {
        yield 'eight that are the maximum' => [['dose' => ['sets' => 3, 'reps' => 8, 'rm' => 8, 'rest_s' => 60]], 94];
        yield 'eight with two in reserve' => [['dose' => ['sets' => 3, 'reps' => 8, 'rir' => 2, 'rest_s' => 60]], 90];
        yield 'the upper end of a corridor' => [
            ['dose' => ['sets' => 3, 'reps' => 6, 'reps_to' => 10, 'grow_by' => 1, 'rir' => 0, 'rest_s' => 60]],
            90,
        ];
        yield 'one' => [['dose' => ['sets' => 1, 'reps' => 1, 'rm' => 1, 'rest_s' => 60]], 120];
        yield 'by the increment' => [
            [
                'dose' => ['sets' => 3, 'reps' => 8, 'rm' => 8, 'rest_s' => 60],
                'progression' => ['levers' => [['lever' => 'load', 'increment_kg' => 5]]],
            ],
            90,
        ];
        yield 'the body lifts along' => [
            ['dose' => ['sets' => 3, 'reps' => 8, 'rm' => 8, 'body_fraction' => 0.5, 'rest_s' => 60]],
            87,
        ];
        yield 'neither maximum nor reserve' => [['dose' => ['sets' => 3, 'reps' => 8, 'rest_s' => 60]], null];
        yield 'more than twenty' => [['dose' => ['sets' => 3, 'reps' => 25, 'rir' => 2, 'rest_s' => 60]], null];
        yield 'another exercise' => [
            ['exercise' => 'leg_press_two', 'dose' => ['sets' => 3, 'reps' => 8, 'rm' => 8, 'rest_s' => 60]],
            null,
        ];
    }

    /** @param array<string, mixed> $prescription */
    #[DataProvider('fromMaximum')]
    public function testAMeasuredMaximumTellsTheLoad(array $prescription, int|float|null $load): void
    {
        $measure = Support::catalogue()->measure('leg_press_maximum');
        $press = self::prescription(
            $prescription + [
                'key' => 'press',
                'exercise' => 'leg_press_one',
                'mode' => 'isotonic',
                'progression' => null,
            ],
        );
        $test = static fn(int $affected, int $unaffected): StrengthTest => new StrengthTest(
            $measure->key,
            Day::fromIso('2026-03-02'),
            $affected,
            $unaffected,
            'kg',
        );
        self::assertEquals($load, FromMeasure::loadKg($press, $measure, $test(120, 140), false, 70));
        self::assertEquals(
            $load,
            FromMeasure::loadKg($press, $measure, $test(140, 120), true, 70),
            'where both are sore the weaker side counts',
        );
    }

    public function testALoadFromAMeasureIsSuggestedUntilItIsLifted(): void
    {
        $prescription = self::prescription([
            'key' => 'press',
            'exercise' => 'leg_press_one',
            'mode' => 'isotonic',
            'dose' => ['sets' => 3, 'reps' => 8, 'rm' => 8, 'rest_s' => 60],
            'progression' => null,
        ]);
        $words = static function (string $on) use ($prescription): array {
            $case = CaseBuilder::case()
                ->mornings(1, 9, 1)
                ->session(8, 1, ['sets' => [['reps' => 10, 'load_kg' => 40, 'rir' => 2]]])
                ->with([
                    'tests' => [
                        [
                            'test' => 'leg_press_maximum',
                            'on' => $on,
                            'affected' => 120,
                            'unaffected' => 140,
                            'unit' => 'kg',
                        ],
                    ],
                ]);
            $found = Suggestions::forPrescription(
                $prescription,
                TrainingSummary::fromEvaluation($case->at(9)),
                Support::catalogue()->structure(Structure::PatellarTendon),
                array_values(Support::catalogue()->measures),
            );

            return array_map(
                static fn(Suggestion $suggestion): string => SuggestionWords::describe($suggestion, $prescription),
                $found,
            );
        };
        self::assertContains('94 kg for 8 RM, by the maximum of 120 kg measured on Sun 8 Mar', $words('2026-03-08'));
        self::assertSame(
            ['44 kg is about 8 RM, by 10 × 40 kg with 2 in reserve on Sun 8 Mar'],
            $words('2026-03-07'),
            'what was lifted since then counts',
        );
    }

    public function testAPreviewSumsWhatIsAskedForAWeekAgainstWhatWasDone(): void
    {
        [$plan, $evaluation] = self::played();
        $stage = $plan->stage($evaluation->log->stage->key);
        self::assertNotNull($stage);
        $same = self::preview($plan, $evaluation, []);
        self::assertSame('', self::words($same)['note']);
        $words = self::words($same);
        self::assertIsArray($words['prescriptions']);
        self::assertCount(count($stage->stage->prescriptions), $words['prescriptions']);

        $more = array_map(
            static fn(Prescription $prescription): array => $prescription->toArray(),
            $stage->stage->prescriptions,
        );
        $more[0] = self::withDose($more[0], ['sets' => 9]);
        $changed = self::preview($plan, $evaluation, ['prescriptions' => $more]);
        self::assertStringContainsString(
            "sets {$stage->stage->prescriptions[0]->dose->sets} → 9",
            self::words($changed)['note'],
        );
        self::assertContains('growth', array_column((array) self::words($changed)['lint'], 'key'));
    }

    public function testALoadThatIsLeftOpenCountsAsWhatWasLifted(): void
    {
        [$plan, $evaluation] = self::played();
        $preview = self::preview($plan, $evaluation, []);
        $open = array_values(
            array_filter(
                $preview->draft->stage->stage->prescriptions,
                static fn(Prescription $prescription): bool => $prescription->dose->load_kg === null &&
                    $prescription->mode->isMoving() &&
                    $prescription->progression?->incrementKg() !== null,
            ),
        );
        self::assertNotEmpty($open);
        $lifted = $preview->summary->presentLoadKg($open[0]);
        self::assertGreaterThan(0, $lifted);
        self::assertEquals(
            $open[0]->dose->sets * $open[0]->dose->reps * $lifted,
            $preview->figures($open[0])->volume_load_kg,
        );
        self::assertGreaterThan(0, $preview->week()->toArray()['volume_load_kg']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function unsound(): iterable
    {
        yield 'a stage that is not there' => [['stage' => 'none'], '/stage'];
        yield 'no day of the week' => [['available' => []], '/available'];
        yield 'yesterday' => [['from' => '2026-05-19'], '/from'];
        yield 'a dose out of bounds' => [
            ['first' => ['dose' => ['sets' => 21, 'reps' => 8, 'rest_s' => 60]]],
            '/prescriptions/0/dose/sets',
        ];
        yield 'a text for a number' => [
            ['first' => ['dose' => ['sets' => 'three', 'reps' => 8, 'rest_s' => 60]]],
            '/prescriptions/0/dose/sets',
        ];
        yield 'an exercise that nobody knows' => [
            ['first' => ['exercise' => 'unheard_of', 'ladder' => null]],
            '/prescriptions/0/exercise',
        ];
        yield 'a rung that is on no ladder of the library' => [
            ['first' => ['ladder' => ['leg_press_one', 'unheard_of']]],
            '/prescriptions/0/ladder',
        ];
        yield 'a rung of another ladder' => [
            ['first' => ['ladder' => ['leg_press_one', 'leg_extension_one']]],
            '/prescriptions/0/ladder',
        ];
        yield 'harder rungs before easier ones' => [
            ['first' => ['ladder' => ['leg_press_one', 'leg_press_two']]],
            '/prescriptions/0/ladder',
        ];
        yield 'a session that the stage does not have' => [['first' => ['slot' => 'evening']], '/prescriptions/0/slot'];
        yield 'a rhythm of two kinds' => [['rhythm' => ['every_days' => 2, 'per_week' => 3]], '/rhythm'];
    }

    /** @param array<string, mixed> $spoilt */
    #[DataProvider('unsound')]
    public function testAnUnsoundPrescriptionIsRefusedAtItsField(array $spoilt, string $path): void
    {
        [$plan, $evaluation] = self::played();
        try {
            self::preview($plan, $evaluation, $spoilt);
            self::fail('was taken');
        } catch (InvalidInput $bad) {
            self::assertSame([$path], array_column($bad->faults, 'path'));
        }
    }

    public function testWhereAnExerciseMayLeadIsSetAndShown(): void
    {
        [$plan, $evaluation] = self::played();
        self::assertSame('leg_press_one', $plan->stage('slow')?->stage->prescriptions[0]->exercise);
        self::assertSame(
            '',
            self::words(
                self::preview($plan, $evaluation, ['first' => ['ladder' => ['leg_press_two', 'leg_press_one']]]),
            )['note'],
            'as it was',
        );
        $alone = self::preview($plan, $evaluation, ['first' => ['ladder' => ['leg_press_one']]]);
        self::assertSame('Leg press, one leg: no longer leads to Leg press, two legs', self::words($alone)['note']);
        $changed = $alone->draft->into($plan);
        self::assertNull($changed->stage('slow')?->stage->prescriptions[0]->rung(-1));
        self::assertSame(
            'Leg press, one leg: may lead to Leg press, two legs',
            self::words(
                self::preview($changed, $evaluation, ['first' => ['ladder' => ['leg_press_two', 'leg_press_one']]]),
            )['note'],
        );
    }

    public function testWhatIsLeftOutStaysKnownAndIsNeverProposedFor(): void
    {
        [$plan, $evaluation] = self::played();
        $stage = $plan->stage($evaluation->log->stage->key);
        self::assertNotNull($stage);
        [$gone, $kept] = [$stage->stage->prescriptions[0], array_slice($stage->stage->prescriptions, 1)];
        $without = $plan->withStage($stage->withStage($stage->stage->withPrescriptions($kept)));
        $again = Plan::fromJson((string) json_encode($without->toArray()));
        self::assertEquals($without, $again);
        $goal = $evaluation->log->file->athlete->goal;
        $file = $evaluation->log->file->with(['stages' => $again->fileStages($goal)]);
        $after = Evaluator::evaluate(CaseFile::fromJson((string) json_encode($file->toArray())), $evaluation->log->at);
        self::assertNotContains(
            $gone->key,
            array_map(static fn($proposal): string => $proposal->prescription->key, $after->proposals),
        );
        self::assertSame($evaluation->nextStage, $after->nextStage);
        self::assertArrayHasKey($gone->key, $after->log->prescriptions);
        foreach (Goal::cases() as $other) {
            self::assertFalse(array_slice($again->fileStages($other), -1)[0]->appliesTo($other));
        }
        // The older plan, taken up again, still knows what the newer one brought.
        self::assertEquals($plan->prescriptions(), $plan->remembering($again)->prescriptions());
        self::assertSame([$gone->key], array_column($again->remembering($plan)->leftOut, 'key'));
    }

    public function testAFlareEasesRestsAndKeepsHolds(): void
    {
        [$plan, $evaluation] = self::played('springs', 30);
        $stage = $plan->stage('springs');
        self::assertNotNull($stage);
        $step = Acceptance::flare($plan, $evaluation, Support::catalogue(), new Flare(true, 2, 7, null));
        $today = $evaluation->log->today;
        $after = $step->plan->stage('springs');
        self::assertNotNull($after);
        foreach ($stage->stage->prescriptions as $i => $before) {
            $rests = static fn(int $day): bool => $step->plan->rests($before->key, $today->plus($day));
            self::assertSame(
                [true, true, $before->mode->value !== 'isometric', false],
                [$rests(0), $rests(1), $rests(2), $rests(7)],
                $before->key,
            );
            self::assertLessThanOrEqual($before->dose->sets, $after->stage->prescriptions[$i]->dose->sets);
        }
        self::assertTrue($step->plan->slotRests($after, 'spring', $today->plus(3)));
        self::assertContains(
            'Holds only until ' . TimeWords::day($today->plus(7)),
            array_map((new ChangeWords(Support::catalogue()))->note(...), $step->notes),
        );

        // A stage without holds gets those of the stage before it.
        $bare = $plan->withStage(
            $stage->withStage(
                $stage->stage->withPrescriptions(
                    array_values(
                        array_filter(
                            $stage->stage->prescriptions,
                            static fn(Prescription $prescription): bool => $prescription->mode->value !== 'isometric',
                        ),
                    ),
                ),
            ),
        );
        $bareEvaluation = Evaluator::evaluate(
            $evaluation->log->file->with(['stages' => $bare->fileStages($evaluation->log->file->athlete->goal)]),
            $evaluation->log->at,
        );
        $held = Acceptance::flare(
            $bare,
            $bareEvaluation,
            Support::catalogue(),
            new Flare(false, 0, 7, null),
        )->plan->stage('springs');
        self::assertNotNull($held);
        self::assertNotEmpty(
            array_filter(
                $held->stage->prescriptions,
                static fn(Prescription $prescription): bool => str_ends_with($prescription->key, '-flare') &&
                    $prescription->mode->value === 'isometric',
            ),
        );
    }

    public function testDaysAndSpansAreSaidAsPeopleDo(): void
    {
        self::assertSame('Tue 14 Apr', TimeWords::day(Day::fromIso('2026-04-14')));
        self::assertSame(
            ['0 min', '75 min', '2 h', '125 min', 'a day', '2 days', '25 h'],
            array_map(TimeWords::minutes(...), [0, 75, 120, 125, 1440, 2880, 1500]),
        );
    }

    /** @return array{Plan, Evaluation} a simulated case without an uncleared stop */
    private static function played(string $stage = 'slow', int $days = 26): array
    {
        $history = Support::played(7, $days, $stage);

        return [$history->plan, Evaluator::evaluate($history->file, Moment::fromIso(Support::NOW))];
    }

    /** @return array{note: string, prescriptions: mixed, lint: mixed} as the screen shows it */
    private static function words(Preview $preview): array
    {
        $words = PreviewWords::present($preview, Weekday::cases(), Support::catalogue());
        self::assertIsString($words['note']);

        return ['note' => $words['note'], 'prescriptions' => $words['prescriptions'], 'lint' => $words['lint']];
    }

    /** @param array<string, mixed> $instead of what is in force; `first` over the first prescription */
    private static function preview(Plan $plan, Evaluation $evaluation, array $instead): Preview
    {
        $stage = $plan->stage($evaluation->log->stage->key);
        assert($stage instanceof PlanStage);
        $prescriptions = array_map(
            static fn(Prescription $prescription): array => $prescription->toArray(),
            $stage->stage->prescriptions,
        );
        if (is_array($instead['first'] ?? null)) {
            $prescriptions[0] = array_replace($prescriptions[0], $instead['first']);
        }
        $request = array_diff_key($instead, ['first' => 1]) + [
            'stage' => $stage->stage->key,
            'prescriptions' => $prescriptions,
        ];
        $draft = Json::read(
            (string) json_encode($request),
            static fn(ObjectNode $node): StageDraft => StageDraft::read(
                $node,
                $plan,
                Support::catalogue(),
                Weekday::cases(),
                $evaluation->log->today,
                $evaluation->log->file->athlete->body_mass_kg,
            ),
        );

        return Preview::build(
            $plan,
            $draft,
            TrainingSummary::fromEvaluation($evaluation),
            Support::catalogue(),
            Support::catalogue()->structure(Structure::PatellarTendon),
            $evaluation->log->file->response_rule,
            [],
            [],
            false,
            null,
            60,
        );
    }

    /** @param array<string, mixed> $fields */
    private static function prescription(array $fields): Prescription
    {
        return Json::read(
            (string) json_encode(
                array_filter($fields + ['limbs' => 'each'], static fn(mixed $value): bool => $value !== null),
            ),
            Prescription::read(...),
        );
    }

    /**
     * @param array<string, mixed> $prescription
     * @param array<string, mixed> $dose
     *
     * @return array<string, mixed>
     */
    private static function withDose(array $prescription, array $dose): array
    {
        return ['dose' => array_replace((array) $prescription['dose'], $dose)] + $prescription;
    }
}
