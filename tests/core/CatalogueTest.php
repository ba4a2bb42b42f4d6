<?php

declare(strict_types=1);

namespace Tests\Core;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Catalogue\CatalogueCheck;
use Rung\Core\Catalogue\Differential;
use Rung\Core\Catalogue\LibraryFile;
use Rung\Core\Catalogue\LintKey;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\School;
use Rung\Core\Catalogue\Search;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Dose\Lever;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Record\Structure;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\CriterionType;
use Rung\Core\Words\Comparison;
use Rung\Core\Words\GrowthWords;
use Rung\Core\Words\PartWords;

/** The clinical content: every document has its form, and nothing names what is not there. */
final class CatalogueTest extends TestCase
{
    private const FOLDER = __DIR__ . '/../../catalogue';

    public function testEveryDocumentHasItsForm(): void
    {
        $schema = (string) file_get_contents(self::FOLDER . '/schema/catalogue.schema.json');
        $documents = [
            ...glob(self::FOLDER . '/*.json') ?: [],
            ...glob(self::FOLDER . '/{exercises,programmes}/*.json', GLOB_BRACE) ?: [],
        ];
        self::assertGreaterThanOrEqual(4, count($documents));
        foreach ($documents as $path) {
            $document = json_decode((string) file_get_contents($path));
            self::assertTrue((new Validator())->validate($document, $schema)->isValid(), $path);
        }
    }

    public function testItHoldsWhatTheFieldNeeds(): void
    {
        $catalogue = Support::catalogue();
        self::assertSame(array_column(Structure::cases(), 'value'), array_keys($catalogue->structures));
        self::assertGreaterThanOrEqual(90, count($catalogue->exercises));
        self::assertSame(array_column(LintKey::cases(), 'value'), array_keys($catalogue->lint));
        foreach ($catalogue->structures as $key => $structure) {
            $for = array_filter(
                $catalogue->programmes,
                static fn(Programme $programme): bool => in_array($structure->structure, $programme->structures, true),
            );
            self::assertContains($structure->usualProgramme, array_column($for, 'key'), $key);
            $direct = array_filter(
                $catalogue->exercises,
                static fn(Exercise $exercise): bool => $exercise->loads($structure->structure) === Directness::Target,
            );
            self::assertNotEmpty($direct, "nothing loads $key directly");
        }
        foreach ($catalogue->schools as $school) {
            self::assertLessThanOrEqual(School::MAX_STOP_AT, $school->rule->stop_at);
        }
    }

    public function testItsPartsFitEachOther(): void
    {
        $catalogue = Support::catalogue();
        $check = new CatalogueCheck($catalogue);
        $faults = [];
        foreach (
            [
                [$catalogue->exercises, $check->exercise(...)],
                [$catalogue->ladders, $check->ladder(...)],
                [$catalogue->programmes, $check->programme(...)],
                [$catalogue->measures, $check->measure(...)],
            ]
            as [$items, $look]
        ) {
            foreach ($items as $item) {
                foreach ($look($item) as $path => $message) {
                    $faults[] = "$item->key/$path $message";
                }
            }
        }
        self::assertSame([], $faults);
        foreach ($catalogue->structures as $structure) {
            self::assertTrue($catalogue->measures[$structure->strengthTest]->eachSide, $structure->title);
        }
        // Whoever has nothing at hand is led to something that needs nothing.
        foreach ($catalogue->exercises as $exercise) {
            for (
                $other = $exercise;
                $other->equipment !== [];
                $other = $catalogue->exercise((string) $other->stand_in)
            ) {
                self::assertNotNull(
                    $other->stand_in,
                    "$exercise->key ends at $other->key, which needs " . implode(', ', $other->equipment),
                );
            }
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>}> what is spoilt in a sound library, and the fault that is reported */
    public static function broken(): iterable
    {
        yield 'a rung that is no harder' => [
            '/ladders/0/rungs/1/demand',
            ['ladders' => [['rungs' => [1 => ['demand' => 1]]]]],
        ];
        yield 'a rung that is nothing' => [
            '/ladders/0/rungs/1/exercise',
            ['ladders' => [['rungs' => [1 => ['exercise' => 'nothing']]]]],
        ];
        yield 'a rung twice' => [
            '/ladders/0/rungs/1/exercise',
            ['ladders' => [['rungs' => [1 => ['exercise' => 'our_first']]]]],
        ];
        yield 'nothing for those without' => ['/exercises/0/stand_in', ['exercises' => [['equipment' => ['wheel']]]]];
        yield 'a stand-in of another kind' => [
            '/exercises/1/stand_in',
            ['exercises' => [1 => ['stand_in' => 'squat']]],
        ];
        yield 'stand-ins in a ring' => [
            '/exercises/0/stand_in',
            ['exercises' => [['stand_in' => 'our_second'], ['stand_in' => 'our_first']]],
        ];
        yield 'a dose at the harder end' => [
            '/exercises/0/dose/hold_s',
            ['exercises' => [['dose' => ['hold_s' => 45]]]],
        ];
        yield 'a range upside down' => ['/exercises/0/usual/sets', ['exercises' => [['usual' => ['sets' => [5, 3]]]]]];
        yield 'a structure that is none' => [
            '/exercises/0/structures/toe',
            ['exercises' => [['structures' => ['toe' => 'target']]]],
        ];
        yield 'a school that is none' => ['/programmes/0/rule', ['programmes' => [['rule' => 'nobody']]]];
        yield 'a gate over another stage' => [
            '/programmes/0/stages/2/gate/3/prescription',
            ['programmes' => [['stages' => [2 => ['gate' => [3 => ['prescription' => 'press']]]]]]],
        ];
        yield 'a test that is none' => [
            '/programmes/0/stages/1/gate/3/test',
            ['programmes' => [['stages' => [1 => ['gate' => [3 => ['test' => 'luck']]]]]]],
        ];
        yield 'an exercise that is none' => [
            '/programmes/0/stages/0/prescriptions/0/exercise',
            ['programmes' => [['stages' => [['prescriptions' => [['exercise' => 'nothing']]]]]]],
        ];
        yield 'a rung that leads down' => [
            '/programmes/0/stages/2/prescriptions/0/progression/levers/0/to',
            [
                'programmes' => [
                    [
                        'stages' => [
                            2 => [
                                'prescriptions' => [['progression' => ['levers' => [['to' => 'straight_leg_lift']]]]],
                            ],
                        ],
                    ],
                ],
            ],
        ];
        $stage = static fn(int $number, array $spoilt): array => ['programmes' => [['stages' => [$number => $spoilt]]]];
        yield 'a slot that never comes' => [
            '/programmes/0/stages/1/prescriptions/2/slot',
            $stage(1, ['rhythm' => ['cycle' => [1 => 'slow']]]),
        ];
        yield 'an exercise in the practice of the sport' => [
            '/programmes/0/stages/3/prescriptions/0/slot',
            $stage(3, ['prescriptions' => [['slot' => 'act']]]),
        ];
        yield 'a lever out of reach' => [
            '/programmes/0/stages/1/prescriptions/0/progression/levers/3',
            $stage(1, ['prescriptions' => [['progression' => ['levers' => [4 => ['lever' => 'sets', 'to' => 6]]]]]]),
        ];
        yield 'sets that never come back' => [
            '/programmes/0/stages/0/prescriptions/0/progression/levers/0',
            $stage(0, [
                'prescriptions' => [
                    [
                        'progression' => [
                            'levers' => [['lever' => 'load', 'to' => null, 'step' => null, 'increment_kg' => 2.5]],
                        ],
                    ],
                ],
            ]),
        ];
        yield 'kilograms on a band' => [
            '/programmes/0/stages/1/prescriptions/0/progression/levers/3',
            $stage(1, ['prescriptions' => [['dose' => ['resistance' => 'thin']]]]),
        ];
        yield 'more sessions than there are' => [
            '/programmes/0/stages/0/gate/1/min_sessions',
            $stage(0, ['gate' => [1 => ['min_sessions' => 8]]]),
        ];
        yield 'a test that everybody passes' => [
            '/programmes/0/stages/1/gate/4/min',
            $stage(1, ['gate' => [4 => ['type' => 'test_value', 'test' => 'knee_extension_strength', 'min' => 1]]]),
        ];
        yield 'a key that ships' => ['/programmes/0/key', ['programmes' => [['key' => 'heel_paced']]]];
        yield 'a stop that is none' => [
            '/response_rules/0/limits/stop_at',
            ['response_rules' => [['limits' => ['stop_at' => 9]]]],
        ];
    }

    /** @param array<string, mixed> $spoilt */
    #[DataProvider('broken')]
    public function testABrokenLibraryIsRefusedAtThePlace(string $path, array $spoilt): void
    {
        $catalogue = Support::catalogue();
        $hold = $catalogue->exercise('wall_sit_high')->toArray();
        $sound = [
            'format' => LibraryFile::FORMAT,
            'exercises' => [
                ['key' => 'our_first', 'stand_in' => null] + $hold,
                ['key' => 'our_second', 'stand_in' => 'our_first'] + $hold,
            ],
            'ladders' => [
                [
                    'key' => 'our_ladder',
                    'title' => 'Our ladder',
                    'rungs' => [
                        ['exercise' => 'our_first', 'demand' => 1],
                        ['exercise' => 'our_second', 'demand' => 2, 'changes' => ['load'], 'words' => 'More'],
                    ],
                ],
            ],
            'programmes' => [['key' => 'our_programme'] + $catalogue->programme('knee_four_stage')->toArray()],
            'response_rules' => [['key' => 'our_rule'] + $catalogue->school('low')->toArray()],
        ];
        $read = static fn(array $document): LibraryFile => LibraryFile::read(
            (string) json_encode($document),
            $catalogue,
            $catalogue,
        );
        self::assertSame('our_second', $read($sound)->catalogue->neighbour('our_first', 1)?->key);
        try {
            $read(array_replace_recursive($sound, $spoilt));
            self::fail('taken as sound');
        } catch (InvalidInput $bad) {
            self::assertContains($path, array_column($bad->faults, 'path'), $bad->getMessage());
        }
    }

    public function testHowADoseGrowsIsSaid(): void
    {
        $catalogue = Support::catalogue();
        $words = static function (string $programme, string $key) use ($catalogue): ?string {
            $found = array_values(
                array_filter(
                    $catalogue->programme($programme)->plan->prescriptions(),
                    static fn(Prescription $prescription): bool => $prescription->key === $key,
                ),
            );

            return GrowthWords::describe($found[0], $catalogue);
        };
        self::assertSame('weeks 1–2: 3 × 12; weeks 3–4: 4 × 10; from week 5: 5 × 8', $words('sole_heavy_load', 'toe'));
        self::assertSame(
            'weeks 1–2: 3 × 12–15; weeks 3–4: 3 × 8–12; from week 5: 3 × 4–6',
            $words('outer_elbow_six_week', 'e_raise'),
        );
        self::assertSame(
            'sets to 4, then lowering in 1 s, then lifting in 1 s, then range to 90°, then 2.5 kg more at a time',
            $words('hold_strength_speed', 'slow_any'),
        );
        self::assertSame(
            'range to 90°, then heavier for fewer repetitions, to 6 RM, then 5 kg more at a time',
            $words('knee_four_stage', 'press'),
        );
        self::assertSame(
            'up the ladder to Hop on one leg, then height to 30 cm, then sets to 6',
            $words('knee_four_stage', 'jumps'),
        );
        self::assertSame('0.25 kg more at a time, to 1.5 kg', $words('playing_hands', 'm_up'));
        self::assertStringStartsWith(
            'sets to 3, then resistance thin → thin, one step out → medium',
            (string) $words('biceps_pulley', 'b_bent'),
        );
        self::assertNull($words('groin_build_and_keep', 'g_keep'));
    }

    public function testAnEmptyStructureMapAndTwoFaultsAreBothShown(): void
    {
        $hold = Support::catalogue()->exercise('wall_sit_high')->toArray();
        $json = (string) json_encode([
            'format' => LibraryFile::FORMAT,
            'exercises' => [['structures' => (object) [], 'title' => ''] + ['key' => 'ours'] + $hold],
        ]);
        $this->expectExceptionMessageMatches(
            '#/exercises/0/title must not be empty.*/exercises/0/structures must name at least one#',
        );
        LibraryFile::read($json, Support::catalogue(), Support::catalogue());
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> query, first finds, what must not be among them */
    public static function queries(): iterable
    {
        yield 'structure, no equipment, mode' => [
            'Achilles, no equipment, hold',
            ['calf_hold_two', 'calf_hold_bent', 'calf_hold_one'],
            ['calf_hold_weighted', 'heel_raise_one_floor'],
        ];
        yield 'plural and case' => ['KNEECAP springs', ['two_to_one_jump', 'one_leg_hop'], ['bounding']];
        yield 'one leg, with a machine' => ['leg press one leg', ['leg_press_one', 'leg_press_hold'], ['wall_sit']];
        yield 'a name that trainers use' => ['calf raise one leg', ['calf_hold_one'], ['bounding']];
        yield 'an anatomical name' => [
            'external rotation, hold',
            ['rotation_walk_out'],
            ['rotation_alone', 'hip_rotation_band'],
        ];
        yield 'what is named so before what is also called so' => [
            'adduction',
            ['band_adduction', 'sliding_adduction'],
            ['squat'],
        ];
        yield 'another word for it' => ['glute bridge', ['hip_bridge'], ['ball_squeeze']];
        yield 'nothing fits' => ['outer elbow sled', [], ['sled_push']];
    }

    /**
     * @param list<string> $first
     * @param list<string> $absent
     */
    #[DataProvider('queries')]
    public function testPeopleFindWhatTheyAskFor(string $query, array $first, array $absent): void
    {
        $found = array_map(
            static fn(Exercise $exercise): string => $exercise->key,
            (new Search(Support::catalogue()))->exercises($query),
        );
        self::assertSame($first, array_slice($found, 0, count($first)));
        self::assertSame([], array_intersect($absent, $found));
    }

    /** What the editor adds is sound as it stands, so that whoever writes a programme begins with something that works. */
    public function testEveryPartThatAProgrammeCanBeMadeOfIsReadAsItIs(): void
    {
        $encoded = (string) json_encode(Support::catalogue()->programme('knee_four_stage')->toArray());
        foreach (CriterionType::cases() as $type) {
            $added = (string) json_encode((object) PartWords::newCriterion($type, 'press', 'severity_score'));
            $document = preg_replace('/\{"type":"sign_off"\}/', $added, $encoded, 1, $count);
            self::assertSame(1, $count, 'a signature stands in its second stage');
            $gate = Json::read((string) $document, Programme::read(...))->plan->stage('slow')->stage->gate ?? [];
            self::assertContains(
                $type,
                array_map(static fn(Criterion $criterion): CriterionType => $criterion->type(), $gate),
            );
            self::assertNotSame('', PartWords::criterion($type));
        }
        foreach (LeverKind::cases() as $kind) {
            $lever = Json::read((string) json_encode((object) PartWords::newLever($kind)), Lever::read(...));
            self::assertSame($kind, $lever->kind);
            self::assertNotSame('', PartWords::lever($kind));
        }
        $titles = [
            ...array_map(PartWords::criterion(...), CriterionType::cases()),
            ...array_map(PartWords::lever(...), LeverKind::cases()),
        ];
        self::assertSame($titles, array_values(array_unique($titles)), 'each under a name of its own');
    }

    public function testEveryNameOfAnExerciseFindsIt(): void
    {
        $catalogue = Support::catalogue();
        $search = new Search($catalogue);
        $named = 0;
        foreach ($catalogue->exercises as $exercise) {
            foreach ($exercise->alsoCalled as $name) {
                self::assertContains(
                    $exercise->key,
                    array_column($search->exercises($name), 'key'),
                    "$name does not find $exercise->title",
                );
                $named++;
            }
        }
        self::assertGreaterThan(150, $named);
        self::assertSame(
            ['sole raise'],
            Json::read(
                (string) json_encode(['also_called' => ['sole raise']] + $catalogue->exercise('squat')->toArray()),
                Exercise::read(...),
            )->alsoCalled,
            'a practice may add its own',
        );
    }

    public function testCommonAndAnatomicalNamesFindWhatLoadsTheStructure(): void
    {
        $catalogue = Support::catalogue();
        $search = new Search($catalogue);
        self::assertNotSame([], $search->exercises('soleus'));
        foreach ($catalogue->structures as $key => $info) {
            self::assertNotSame([], $info->alsoCalled, $key);
            foreach ([$info->title, ...$info->alsoCalled] as $name) {
                $first = $search->exercises($name)[0] ?? null;
                self::assertNotNull($first, "$name finds nothing");
                // Some names belong to more than one structure.
                $named = array_filter(
                    $catalogue->structures,
                    static fn(StructureInfo $structureInfo): bool => in_array(
                        $name,
                        [$structureInfo->title, ...$structureInfo->alsoCalled],
                        true,
                    ),
                );
                $loads = array_map(
                    static fn(StructureInfo $structureInfo): ?Directness => $first->loads($structureInfo->structure),
                    $named,
                );
                self::assertNotSame(
                    [],
                    array_filter(
                        $loads,
                        static fn(?Directness $how): bool => $how === Directness::Target || $how === Directness::Shared,
                    ),
                    "$name finds $first->title first",
                );
                $usual = array_column($search->programmes($name), 'key');
                self::assertContains($info->usualProgramme, $usual, "$name finds the usual programme");
            }
        }
    }

    public function testWhatElseItCouldBeSaysHowToTellAndWhatToDo(): void
    {
        foreach (Support::catalogue()->structures as $key => $info) {
            self::assertGreaterThanOrEqual(2, count($info->differentials), $key);
            self::assertSame(
                array_unique(array_column($info->differentials, 'what')),
                array_column($info->differentials, 'what'),
                $key,
            );
            foreach ($info->differentials as $differential) {
                self::assertMatchesRegularExpression('/^\p{Lu}.{20,}\.$/u', $differential->check, $differential->what);
                self::assertMatchesRegularExpression('/^\p{Lu}.{3,}\.$/u', $differential->then, $differential->what);
            }
            // Wherever something is torn nothing is loaded before somebody has looked.
            foreach (
                array_filter(
                    $info->differentials,
                    static fn(Differential $differential): bool => preg_match(
                        '/rupture|tear|clot|fracture|broken/i',
                        $differential->what,
                    ) === 1,
                )
                as $other
            ) {
                self::assertMatchesRegularExpression('/refer|emergency/i', $other->then, "$key: $other->what");
            }
        }
    }

    public function testTwoProgrammesAreComparedPointByPoint(): void
    {
        $catalogue = Support::catalogue();
        $points = array_column(
            (new Comparison($catalogue))->programmes(
                $catalogue->programme('heel_slow_load'),
                $catalogue->programme('heel_twice_daily_eccentric'),
            ),
            null,
            'point',
        );
        self::assertSame(
            [
                'point' => 'School',
                'a' => 'No worse next morning',
                'b' => 'Moderate pain, wider steps',
                'differs' => true,
            ],
            $points['School'],
        );
        self::assertSame('lowering 2 times a day every day', $points['Days of the first stage']['b']);
        self::assertSame(
            ['none', 'Heel lowering over a step, knee straight, 3 × 15'],
            [$points['Lowering only']['a'], $points['Lowering only']['b']],
        );
        self::assertFalse($points['For']['differs']);
    }

    public function testALadderIsClimbedRungByRung(): void
    {
        $catalogue = Support::catalogue();
        self::assertSame('leg_extension_hold', $catalogue->neighbour('straight_leg_lift', 1)?->key);
        self::assertSame('straight_leg_lift', $catalogue->neighbour('leg_extension_hold', -1)?->key);
        self::assertNull($catalogue->neighbour('straight_leg_lift', -1));
        self::assertNull($catalogue->neighbour('drop_jump', 1));
    }

    public function testTheCaseFileSchemaAndTheReaderAgree(): void
    {
        $schema = (string) file_get_contents(__DIR__ . '/../../docs/formats/case-file.schema.json');
        $isValid = static fn(string $json): bool => (new Validator())->validate(json_decode($json), $schema)->isValid();
        foreach (glob(__DIR__ . '/examples/*.case.json') ?: [] as $path) {
            self::assertTrue($isValid((string) file_get_contents($path)), $path);
        }
        self::assertTrue($isValid((string) file_get_contents(__DIR__ . '/../../docs/formats/case-file.example.json')));
        // What a schema can say, it refuses as the reader does.
        $text = (string) file_get_contents(__DIR__ . '/examples/evaluate-002.case.json');
        foreach (
            [
                '"pain": 2,' => '"pain": 11,',
                '"sets": 2,' => '"sets": 21,',
                '"provocation": 6' => '"score": 6',
                '"type": "sign_off"' => '"type": "wish"',
            ]
            as $sound => $spoilt
        ) {
            $bad = str_replace($sound, $spoilt, $text);
            self::assertNotSame($text, $bad);
            self::assertFalse($isValid($bad), $spoilt);
            self::assertSame(2, Support::rung(['validate', '-'], $bad)[0], $spoilt);
        }
    }

    /** What the pacer says names phases that the exercise has: no cue to lift in a hold or a jump. */
    public function testWhatThePacerSaysFitsTheExercise(): void
    {
        $own = 0;
        foreach (Support::catalogue()->exercises as $exercise) {
            $says = $exercise->says?->toArray() ?? [];
            $own += count($says);
            $tempo = $exercise->dose->tempo;
            foreach (array_keys($says) as $phase) {
                $has = match ($phase) {
                    'lift', 'lower' => $tempo !== null || $exercise->mode->isMoving(),
                    'hold' => $exercise->mode === Mode::Isometric || ($tempo !== null && $tempo->top_s > 0),
                    default => $exercise->mode === Mode::Isometric || $tempo !== null,
                };
                self::assertTrue($has, "$exercise->key has no phase to $phase");
            }
        }
        self::assertGreaterThan(80, $own);
        self::assertSame(
            ['lift' => 'Turn out', 'lower' => 'Turn in'],
            Support::catalogue()->exercise('rotation_alone')->says?->toArray(),
        );
        // What is too long to be read between two beats is refused, at its place.
        $exercise = (string) json_encode(
            ['says' => ['lift' => 'Turn the hand out slowly', 'lower' => '']] +
                Support::catalogue()->exercise('rotation_alone')->toArray(),
        );
        try {
            Json::read($exercise, Exercise::read(...));
            self::fail('a long word was taken');
        } catch (InvalidInput $bad) {
            self::assertSame(['/says/lift', '/says/lower'], array_column($bad->faults, 'path'));
        }
    }
}
