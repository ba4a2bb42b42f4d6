<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Dose\Mode;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Purpose;
use Rung\Core\Record\Structure;
use Rung\Core\Screening\FoundRisk;
use Rung\Core\Stage\Criterion;
use Rung\Core\Start\Findings;
use Rung\Core\Start\RungChoice;
use Rung\Core\Start\RungChooser;
use Rung\Core\Start\RungLevel;
use Rung\Core\Start\SeverityScore;
use Rung\Core\Start\StartAdvisor;
use Rung\Core\Start\StartPlan;
use Rung\Core\Start\StartProposal;
use Rung\Core\Start\StartStage;
use Rung\Core\Start\Trial;
use Rung\Core\Start\Trials;
use Rung\Core\Time\Day;
use Rung\Core\Words\StartWords;

/** Where to begin: stage and rung, the exercise for the rung, and what screening does to both. */
final class StartTest extends TestCase
{
    private const ALL = [Mode::Isometric, Mode::Isotonic, Mode::Plyometric, Mode::Sport];

    /** @return iterable<string, array{Findings, Goal, bool, string|null, string|null, list<string>}> */
    public static function rows(): iterable
    {
        $found = static fn(
            ?int $rest = 0,
            ?int $test = 2,
            ?int $settle = 30,
            ?int $stiff = 5,
            ?float $symmetry = 95,
            int $days = 3,
        ): Findings => new Findings($rest, $test, $settle, $stiff, $symmetry, $days);
        yield 'high: the first, easiest' => [$found(rest: 4), Goal::Jumping, false, 'isometric', 'easiest', []];
        yield 'unknown: the first, easiest' => [
            $found(null, 2, null, null),
            Goal::Jumping,
            false,
            'isometric',
            'easiest',
            [],
        ];
        yield 'medium, test over 3: the first, middle' => [
            $found(rest: 2, test: 4),
            Goal::Jumping,
            false,
            'isometric',
            'middle',
            [],
        ];
        yield 'medium, trains too little: the first, middle' => [
            $found(rest: 2, test: 3, days: 2),
            Goal::Jumping,
            false,
            'isometric',
            'middle',
            [],
        ];
        yield 'medium, test 3, trains: strength, easiest' => [
            $found(rest: 2, test: 3),
            Goal::Jumping,
            false,
            'isotonic',
            'easiest',
            [],
        ];
        yield 'medium at risk: one rung easier' => [
            $found(rest: 2, test: 4),
            Goal::Jumping,
            true,
            'isometric',
            'easiest',
            [],
        ];
        yield 'easiest at risk: carefully' => [
            $found(rest: 4),
            Goal::Jumping,
            true,
            'isometric',
            'easiest',
            ['start_carefully'],
        ];
        yield 'low, for daily life: strength, usual' => [$found(), Goal::Everyday, false, 'isotonic', 'usual', []];
        yield 'low, for the hands: strength, usual' => [$found(), Goal::Hands, false, 'isotonic', 'usual', []];
        yield 'low, jumper, strong: springs, easiest' => [$found(), Goal::Jumping, false, 'plyometric', 'easiest', []];
        yield 'low, jumper, at risk: springs, carefully' => [
            $found(),
            Goal::Jumping,
            true,
            'plyometric',
            'easiest',
            ['start_carefully'],
        ];
        yield 'low, test 3: strength, usual' => [$found(test: 3), Goal::Jumping, false, 'isotonic', 'usual', []];
        yield 'low, weak on one side: strength' => [
            $found(symmetry: 89.9),
            Goal::Jumping,
            false,
            'isotonic',
            'usual',
            [],
        ];
        yield 'low, symmetry not known: strength' => [
            $found(symmetry: null),
            Goal::Jumping,
            false,
            'isotonic',
            'usual',
            [],
        ];
        yield 'low, settling not known: strength' => [
            $found(settle: null),
            Goal::Jumping,
            false,
            'isotonic',
            'usual',
            [],
        ];
        yield 'low, trains two days: strength' => [$found(days: 2), Goal::Jumping, false, 'isotonic', 'usual', []];
        yield 'low, at risk: strength, middle' => [$found(test: 3), Goal::Jumping, true, 'isotonic', 'middle', []];
        yield 'pain of 8: no start' => [$found(test: 8), Goal::Jumping, false, null, null, []];
    }

    /** @param list<string> $notes */
    #[DataProvider('rows')]
    public function testEveryRowOfTheTable(
        Findings $findings,
        Goal $goal,
        bool $atRisk,
        ?string $stage,
        ?string $rung,
        array $notes,
    ): void {
        $stages = array_map(static fn(Mode $mode): StartStage => new StartStage($mode->value, $mode), self::ALL);
        $proposal = StartAdvisor::propose($findings, $goal, $stages, $atRisk, false);
        self::assertSame(
            [$stage, $rung, $notes, $stage === null],
            [$proposal->stage, $proposal->rung?->value, $proposal->notes, $proposal->blocked],
        );
        // An open sign blocks whatever else was found, and stays so.
        $blocked = StartAdvisor::propose($findings, $goal, $stages, $atRisk, true);
        self::assertSame([null, null, true], [$blocked->stage, $blocked->rung, $blocked->blocked]);
    }

    public function testTheGoalDecidesWhichStagesApply(): void
    {
        $stages = array_map(
            StartStage::fromStage(...),
            Support::catalogue()->programme('knee_home_three_phase')->plan->caseStages(),
        );
        $calm = new Findings(0, 2, 30, 5, 95, 3);
        self::assertSame('springs', StartAdvisor::propose($calm, Goal::Jumping, $stages, false, false)->stage);
        self::assertSame('slow', StartAdvisor::propose($calm, Goal::Running, $stages, false, false)->stage);
        $springsOnly = [new StartStage('springs', Mode::Plyometric, [Goal::Jumping])];
        self::assertNull(StartAdvisor::propose($calm, Goal::Everyday, $springsOnly, false, false)->stage);
    }

    /** @return iterable<string, array{string, Structure, string, RungLevel, bool, list<string>|null, array<string, string>}> */
    public static function choices(): iterable
    {
        $knee = ['knee_four_stage', Structure::PatellarTendon];
        yield 'usual: as the programme begins' => [
            ...$knee,
            'holds',
            RungLevel::Usual,
            true,
            null,
            ['ext_hold' => 'leg_extension_hold'],
        ];
        yield 'easiest: the lowest that loads the tendon' => [
            ...$knee,
            'holds',
            RungLevel::Easiest,
            true,
            null,
            ['ext_hold' => 'straight_leg_lift'],
        ];
        yield 'what loads it slightly is passed over' => [
            ...$knee,
            'slow',
            RungLevel::Easiest,
            true,
            null,
            ['press' => 'leg_press_two', 'extension' => 'leg_extension_two', 'slow_hold' => 'leg_extension_hold'],
        ];
        yield 'missing equipment takes the stand-in' => [
            ...$knee,
            'holds',
            RungLevel::Usual,
            true,
            [],
            ['ext_hold' => 'wall_sit_high'],
        ];
        yield 'a stand-in is not taken twice' => [
            ...$knee,
            'slow',
            RungLevel::Easiest,
            true,
            [],
            ['press' => 'box_squat', 'extension' => 'forward_lunge', 'slow_hold' => 'wall_sit_high'],
        ];
        yield 'never below the floor at the insertion' => [
            'heel_insertion',
            Structure::AchillesInsertion,
            'slow',
            RungLevel::Easiest,
            false,
            null,
            ['i_raise' => 'heel_raise_seated_two', 'i_between' => 'calf_hold_two'],
        ];
        yield 'the variant of the structure' => [
            'heavy_holds',
            Structure::LateralElbow,
            'holds',
            RungLevel::Usual,
            false,
            null,
            ['heavy_a' => 'forearm_heavy_hold', 'heavy_b' => 'wrist_hold_neutral'],
        ];
    }

    /**
     * @param list<string>|null $equipment
     * @param array<string, string> $expected
     */
    #[DataProvider('choices')]
    public function testTheExerciseForTheRung(
        string $programme,
        Structure $structure,
        string $stage,
        RungLevel $level,
        bool $irritable,
        ?array $equipment,
        array $expected,
    ): void {
        $catalogue = Support::catalogue();
        $start = StartPlan::build(
            $catalogue->programme($programme),
            $catalogue,
            $catalogue->structure($structure),
            $stage,
            $level,
            $irritable,
            $equipment,
        );
        $chosen = array_column(
            array_map(
                static fn(RungChoice $rungChoice): array => [
                    $rungChoice->prescription->key,
                    $rungChoice->exercise->key,
                ],
                $start->choices,
            ),
            1,
            0,
        );
        self::assertSame($expected, array_intersect_key($chosen, $expected));
        foreach ($start->choices as $choice) {
            self::assertNotEmpty($choice->reasons);
            self::assertSame(
                $choice->exercise->key,
                $start->plan->stage($stage)?->stage->prescription($choice->prescription->key)?->exercise,
            );
        }
    }

    public function testPreventionBeginsAsTheProgrammeDoes(): void
    {
        $catalogue = Support::catalogue();
        $stages = array_map(
            StartStage::fromStage(...),
            $catalogue->programme('groin_build_and_keep')->plan->caseStages(),
        );
        $of = static fn(Findings $findings, bool $atRisk): StartProposal => StartAdvisor::propose(
            $findings,
            Goal::Cutting,
            $stages,
            $atRisk,
            false,
        );
        $nothing = new Findings(null, null, null, null, null, 3);
        self::assertSame(
            RungLevel::Usual,
            $of($nothing, false)->level(Purpose::Prevention, false),
            'nothing is sore to begin with',
        );
        self::assertSame(
            RungLevel::Easiest,
            $of($nothing, false)->level(Purpose::Rehab, false),
            'not knowing counts as irritable',
        );
        self::assertNotSame(
            RungLevel::Usual,
            $of($nothing, true)->level(Purpose::Prevention, true),
            'a risk speaks against it',
        );
        self::assertSame(
            [false, true, true],
            [
                $of($nothing, false)->isIrritable(Purpose::Prevention, false),
                $of($nothing, true)->isIrritable(Purpose::Prevention, true),
                $of($nothing, false)->isIrritable(Purpose::Rehab, false),
            ],
        );
        self::assertTrue(
            $of(new Findings(5, 6, null, null, null, 3), false)->isIrritable(Purpose::Prevention, false),
            'pain was found',
        );
        // So the programme's own exercise is not left out for its wide end of range.
        $proposal = $of($nothing, false);
        $begun = StartPlan::build(
            $catalogue->programme('groin_build_and_keep'),
            $catalogue,
            $catalogue->structure(Structure::Adductor),
            (string) $proposal->stage,
            RungLevel::Usual,
            $proposal->isIrritable(Purpose::Prevention, false),
            null,
        );
        self::assertSame('adductor_lift_full', $begun->choices[0]->exercise->key);
        self::assertSame(
            RungLevel::Easiest,
            $of(new Findings(5, 6, null, null, null, 3), false)->level(Purpose::Prevention, false),
            'and so does pain',
        );
    }

    public function testDeepBendIsRuledOutWhileIrritable(): void
    {
        $catalogue = Support::catalogue();
        $ladder = static fn(bool $irritable): ?array => (new RungChooser(
            $catalogue,
            $catalogue->structure(Structure::QuadricepsTendon),
            null,
            $irritable,
        ))->ladder('wall_sit_high');
        self::assertSame(['straight_leg_lift', 'leg_extension_hold', 'wall_sit_high'], $ladder(true));
        self::assertSame(
            [
                'straight_leg_lift',
                'leg_extension_hold',
                'wall_sit_high',
                'wall_sit',
                'all_fours_hover',
                'strap_squat_hold',
            ],
            $ladder(false),
        );
    }

    public function testAStandInTakesTheProgrammesCorridor(): void
    {
        $catalogue = Support::catalogue();
        $start = StartPlan::build(
            $catalogue->programme('knee_comfort_led'),
            $catalogue,
            $catalogue->structure(Structure::PatellarTendon),
            'holds',
            RungLevel::Usual,
            false,
            [],
        );
        $hold = $start->plan->stage('holds')?->stage->prescription('c_hold');
        self::assertSame(['wall_sit_high', 30, 45], [$hold?->exercise, $hold?->dose->hold_s, $hold?->dose->hold_to_s]);
    }

    public function testWithNothingAtHandNoProgrammeAsksForAnything(): void
    {
        $catalogue = Support::catalogue();
        foreach ($catalogue->programmes as $programme) {
            // Heavy holds alone need a load that can be measured, and say so.
            foreach ($programme->key === 'heavy_holds' ? [] : $programme->structures as $structure) {
                foreach ($programme->plan->caseStages() as $stage) {
                    $plan = StartPlan::build(
                        $programme,
                        $catalogue,
                        $catalogue->structure($structure),
                        $stage->key,
                        RungLevel::Usual,
                        true,
                        [],
                    )->plan;
                    foreach ($plan->prescriptions() as $prescription) {
                        self::assertSame(
                            [],
                            $catalogue->exercise($prescription->exercise)->equipment,
                            "$programme->key, $structure->value: $prescription->exercise",
                        );
                    }
                    // What comes of it is a plan that can be stored and read again.
                    self::assertEquals($plan, Plan::fromJson((string) json_encode($plan->toArray())));
                }
            }
        }
    }

    public function testAChoiceByHandIsTakenOrRefusedAtItsPlace(): void
    {
        $catalogue = Support::catalogue();
        $of = static fn(string $exercise): StartPlan => StartPlan::build(
            $catalogue->programme('knee_four_stage'),
            $catalogue,
            $catalogue->structure(Structure::PatellarTendon),
            'holds',
            RungLevel::Usual,
            false,
            null,
            ['ext_hold' => $exercise],
        );
        self::assertSame('strap_squat_hold', $of('strap_squat_hold')->choices[0]->exercise->key);
        $this->expectExceptionMessage('/exercises/ext_hold must name an exercise');
        $of('nothing');
    }

    /** @return iterable<string, array{list<array<string, mixed>>, RungLevel, string, string}> */
    public static function trials(): iterable
    {
        $hold = static fn(string $exercise, int $pain): array => [
            'exercise' => $exercise,
            'hold_s' => 30,
            'pain' => $pain,
        ];
        yield 'nothing tried' => [[], RungLevel::Easiest, 'straight_leg_lift', 'The easiest rung of its ladder'];
        yield 'a higher rung was borne' => [
            [$hold('leg_extension_hold', 3)],
            RungLevel::Easiest,
            'leg_extension_hold',
            'Tried in the room and tolerated (a hold of 30 s: pain 3 of 10)',
        ];
        yield 'pain just over the limit' => [
            [$hold('leg_extension_hold', 4)],
            RungLevel::Easiest,
            'straight_leg_lift',
            'The easiest rung of its ladder',
        ];
        yield 'over the usual rung too' => [
            [$hold('wall_sit_high', 1)],
            RungLevel::Usual,
            'wall_sit_high',
            'Tried in the room and tolerated',
        ];
        yield 'the highest of several' => [
            [$hold('leg_extension_hold', 1), $hold('wall_sit_high', 2)],
            RungLevel::Easiest,
            'wall_sit_high',
            'pain 2 of 10',
        ];
        yield 'borne above one that was not speaks for nothing' => [
            [$hold('leg_extension_hold', 6), $hold('wall_sit_high', 2)],
            RungLevel::Usual,
            'straight_leg_lift',
            'hurt too much when it was tried',
        ];
        yield 'the proposed rung was not borne' => [
            [$hold('leg_extension_hold', 6)],
            RungLevel::Usual,
            'straight_leg_lift',
            'one rung below',
        ];
        yield 'a lower one that was borne changes nothing' => [
            [$hold('straight_leg_lift', 0)],
            RungLevel::Usual,
            'leg_extension_hold',
            'The usual beginning of the programme',
        ];
        yield 'borne with another load' => [
            [$hold('leg_extension_hold', 6), $hold('leg_extension_hold', 2)],
            RungLevel::Usual,
            'leg_extension_hold',
            'The usual beginning of the programme',
        ];
        yield 'not even the easiest' => [
            [$hold('straight_leg_lift', 5)],
            RungLevel::Usual,
            'straight_leg_lift',
            'nothing easier may be taken',
        ];
    }

    /** @param list<array<string, mixed>> $tried */
    #[DataProvider('trials')]
    public function testTheHighestRungThatWasBorneIsProposed(
        array $tried,
        RungLevel $level,
        string $exercise,
        string $reason,
    ): void {
        $choice = self::begun('holds', $level, $tried)->choices[0];
        self::assertSame($exercise, $choice->exercise->key);
        self::assertStringContainsString($reason, $choice->reasons[0]);
        self::assertSame(
            str_contains($choice->reasons[0], 'tried') || str_contains($choice->reasons[0], 'Tried'),
            $choice->tried !== null,
        );
    }

    public function testAWeightThatWasTriedIsTakenOver(): void
    {
        $reps =
            self::begun('slow', RungLevel::Easiest, [])->plan->stage('slow')?->stage->prescription('press')->dose
                ->reps ?? 0;
        $set = static fn(int $more, int $load, int $pain, ?int $reserve): array => [
            'exercise' => 'leg_press_two',
            'reps' => $reps + $more,
            'load_kg' => $load,
            'pain' => $pain,
            'reserve' => $reserve,
        ];
        self::assertNull(self::pressed([]));
        self::assertSame(40, self::pressed([$set(0, 40, 2, null)]));
        self::assertSame(
            60,
            self::pressed([$set(0, 40, 2, null), $set(-2, 60, 3, 2)]),
            'with two in reserve it would have been enough',
        );
        self::assertSame(40, self::pressed([$set(0, 40, 2, null), $set(-2, 60, 3, 1)]), 'one repetition short');
        self::assertSame(40, self::pressed([$set(0, 40, 2, null), $set(0, 60, 4, 3)]), 'over the limit of the school');
    }

    /** @param list<array<string, mixed>> $tried */
    private static function pressed(array $tried): int|float|null
    {
        return self::begun('slow', RungLevel::Easiest, $tried)
            ->plan->stage('slow')
            ?->stage->prescription('press')?->dose->load_kg;
    }

    /** A rung at or over one that was never borne is never proposed, whatever else was tried; trials that were borne never lower the beginning. */
    public function testTrialsNeverLeadOverWhatHurt(): void
    {
        $random = new Randomizer(new Mt19937(77));
        $ladder = [
            'straight_leg_lift',
            'leg_extension_hold',
            'wall_sit_high',
            'wall_sit',
            'all_fours_hover',
            'strap_squat_hold',
        ];
        $changed = 0;
        for ($i = 0; $i < 300; $i++) {
            $level = [RungLevel::Easiest, RungLevel::Middle, RungLevel::Usual][$random->getInt(0, 2)];
            $tried = [];
            for ($j = $random->getInt(1, 4); $j > 0; $j--) {
                $tried[] = [
                    'exercise' => $ladder[$random->getInt(0, 5)],
                    'hold_s' => 30,
                    'pain' => $random->getInt(0, 7),
                ];
            }
            $at = array_search(self::begun('holds', $level, $tried, false)->choices[0]->exercise->key, $ladder, true);
            $without = array_search(self::begun('holds', $level, [], false)->choices[0]->exercise->key, $ladder, true);
            $best = [];
            foreach ($tried as $trial) {
                $best[$trial['exercise']] = min($best[$trial['exercise']] ?? 10, $trial['pain']);
            }
            $hurt = array_keys(array_filter($best, static fn(int $pain): bool => $pain > 3));
            $why = json_encode($tried, JSON_THROW_ON_ERROR);
            foreach ($hurt as $key) {
                self::assertTrue($at < array_search($key, $ladder, true) || $at === 0, $why);
            }
            if ($hurt === []) {
                self::assertGreaterThanOrEqual($without, $at, $why);
            }
            $changed += $at === $without ? 0 : 1;
        }
        self::assertGreaterThan(100, $changed);
    }

    public function testATryAtTheStopLevelIsShownOfWhateverElseWasTried(): void
    {
        $trials = static fn(int ...$pains): Trials => new Trials(
            array_map(
                static fn(int $pain): Trial => Json::read(
                    (string) json_encode(['exercise' => 'squat', 'reps' => 5, 'pain' => $pain]),
                    Trial::read(...),
                ),
                array_values($pains),
            ),
            3,
        );
        self::assertNull($trials()->worstStop(8));
        self::assertNull($trials(0, 7)->worstStop(8));
        self::assertSame(8, $trials(8, 1)->worstStop(8));
        self::assertSame(9, $trials(6, 9, 7)->worstStop(6), 'the worst of them');
    }

    public function testATrialIsOfRepetitionsOrOfAHold(): void
    {
        foreach ([[], ['reps' => 5, 'hold_s' => 5]] as $done) {
            try {
                self::begun('holds', RungLevel::Usual, [$done + ['exercise' => 'leg_extension_hold', 'pain' => 1]]);
                self::fail('taken');
            } catch (InvalidInput $refused) {
                self::assertStringContainsString('one of the two', $refused->getMessage());
            }
        }
    }

    /** @param list<array<string, mixed>> $tried */
    private static function begun(string $stage, RungLevel $level, array $tried, bool $irritable = true): StartPlan
    {
        $catalogue = Support::catalogue();
        $trials = array_map(
            static fn(array $row): Trial => Json::read(json_encode($row, JSON_THROW_ON_ERROR), Trial::read(...)),
            $tried,
        );

        return StartPlan::build(
            $catalogue->programme('knee_four_stage'),
            $catalogue,
            $catalogue->structure(Structure::PatellarTendon),
            $stage,
            $level,
            $irritable,
            null,
            [],
            new Trials($trials, 3),
        );
    }

    public function testTheProposalIsSaidInOneSentence(): void
    {
        $catalogue = Support::catalogue();
        $findings = new Findings(2, 3, null, null, null, 4);
        $start = StartPlan::build(
            $catalogue->programme('knee_four_stage'),
            $catalogue,
            $catalogue->structure(Structure::PatellarTendon),
            'slow',
            RungLevel::Easiest,
            true,
            null,
        );
        $stage = $start->plan->stage('slow');
        self::assertNotNull($stage);
        self::assertSame(
            'Medium irritability (pain at rest 2 of 10), trains 4 days a week, test 3 of 10: begin at slow strength, easiest rung, leg press, two legs, both together, range 10–60°; holds between.',
            StartWords::proposal($findings, $stage, RungLevel::Easiest, $start->choices),
        );
    }

    /** @return iterable<string, array{string, string|null, string|null, bool}> risk, taken on, pain began, counts */
    public static function risks(): iterable
    {
        yield 'eight days before' => ['fluoroquinolone', '2026-02-21', '2026-03-01', true];
        yield 'seven days before' => ['fluoroquinolone', '2026-02-22', '2026-03-01', false];
        yield 'six months before' => ['fluoroquinolone', '2025-08-30', '2026-03-01', true];
        yield 'longer before' => ['fluoroquinolone', '2025-08-29', '2026-03-01', false];
        yield 'after it began' => ['fluoroquinolone', '2026-03-09', '2026-03-01', false];
        yield 'no date known' => ['fluoroquinolone', null, '2026-03-01', true];
        yield 'a statin of ten months' => ['statin', '2025-05-01', '2026-03-01', true];
        yield 'a statin of eleven' => ['statin', '2025-04-30', '2026-03-01', false];
        yield 'smoking needs no date' => ['smoking', null, null, true];
    }

    #[DataProvider('risks')]
    public function testAMedicineCountsWithinItsDays(string $risk, ?string $takenOn, ?string $began, bool $counts): void
    {
        $found = new FoundRisk(Support::catalogue()->risks[$risk], $takenOn === null ? null : Day::fromIso($takenOn));
        $day = $began === null ? null : Day::fromIso($began);
        self::assertSame($counts, $found->counts($day));
        self::assertSame(!$counts, str_contains($found->words($day), 'not counted'));
    }

    public function testASeverityScoreTakesThePlaceOfTheProgrammesOwn(): void
    {
        $programme = Support::catalogue()->programme('knee_four_stage')->plan;
        $score = static fn(): array => [
            Json::read('{"type": "outcome", "measure": "severity_score", "min": 80}', Criterion::read(...)),
        ];
        $plan = $programme->mapStages(
            static fn(PlanStage $stage): PlanStage => $stage->stage->key === 'act'
                ? $stage->withStage($stage->stage->withGate([...$stage->stage->gate, ...$score()]))
                : $stage,
        );
        $read = static fn(string $json): SeverityScore => Json::read($json, SeverityScore::read(...));
        $gate = static fn(?SeverityScore $score): array => array_map(
            static fn($trial): array => $trial->toArray(),
            SeverityScore::into($score, $plan)->stage('act')->stage->gate ?? [],
        );

        $up = $gate($read('{"name": "A", "lowest": 0, "highest": 50, "higher_is_better": true}'));
        self::assertEquals(['type' => 'outcome', 'min' => 40, 'measure' => 'A'], $up[2]);
        $down = $gate($read('{"name": "B", "lowest": 0, "highest": 10, "higher_is_better": false}'));
        self::assertEquals(['type' => 'outcome', 'max' => 2, 'measure' => 'B'], $down[2]);
        self::assertSame(['sport_sessions', 'provocation'], array_column($gate(null), 'type'));
        try {
            $read('{"name": "C", "lowest": 10, "highest": 0, "higher_is_better": true, "score": 20}');
            self::fail('taken as sound');
        } catch (InvalidInput $bad) {
            self::assertSame(['/highest', '/score'], array_column($bad->faults, 'path'));
        }
    }
}
