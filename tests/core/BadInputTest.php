<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use stdClass;

/** What is refused, and at which path (docs/rules.md, "Bad input"). */
final class BadInputTest extends TestCase
{
    /** @return iterable<string, array{callable(stdClass): void, list<string>}> */
    public static function faults(): iterable
    {
        $set = static fn(string $path, mixed $value): callable => static fn(stdClass $case) => self::put(
            $case,
            $path,
            $value,
        );
        $drop = static fn(string $path): callable => static fn(stdClass $case) => self::remove($case, $path);
        $at = static fn(string ...$paths): array => array_values($paths);
        $prescription = '/stages/0/prescriptions/0';
        $session = '/sessions/0';

        yield 'another format' => [$set('/format', 'rung-case/2'), $at('/format')];
        yield 'a zone that is none' => [$set('/timezone', '+01:00'), $at('/timezone')];
        yield 'a missing field' => [$drop('/athlete/name'), $at('/athlete/name')];
        yield 'a missing part' => [$drop('/response_rule'), $at('/response_rule')];
        yield 'null where something is needed' => [$set('/stages', null), $at('/stages')];
        yield 'an unknown field' => [$set('/case/colour', 'red'), $at('/case/colour')];
        yield 'an unknown field with a slash in it' => [$set('/case/a~1b', 'red'), $at('/case/a~1b')];
        yield 'an object instead of a list' => [$set('/sessions', new stdClass()), $at('/sessions')];
        yield 'a list instead of an object' => [$set('/athlete', []), $at('/athlete')];
        yield 'a text instead of an object' => [$set('/check_ins/0', 'x'), $at('/check_ins/0')];
        yield 'pain 11' => [$set("$session/entries/0/pain", 11), $at("$session/entries/0/pain")];
        yield 'half a point of pain' => [$set("$session/entries/0/pain", 2.5), $at("$session/entries/0/pain")];
        yield 'pain as text' => [$set("$session/entries/0/pain", '2'), $at("$session/entries/0/pain")];
        yield 'a score under 0' => [$set('/check_ins/0/provocation', -1), $at('/check_ins/0/provocation')];
        yield 'effort 11' => [$set("$prescription/dose/effort", 11), $at("$prescription/dose/effort")];
        yield 'a negative rest' => [$set("$prescription/dose/rest_s", -1), $at("$prescription/dose/rest_s")];
        yield 'more than all of a maximum' => [
            $set("$prescription/dose/percent_mvc", 101),
            $at("$prescription/dose/percent_mvc"),
        ];
        yield 'a hold of eleven minutes' => [$set("$prescription/dose/hold_s", 660), $at("$prescription/dose/hold_s")];
        yield 'a logged hold of eleven minutes' => [
            $set("$session/entries/0/sets/0/hold_s", 660),
            $at("$session/entries/0/sets/0/hold_s"),
        ];
        yield 'no sets in a dose' => [$set("$prescription/dose/sets", 0), $at("$prescription/dose/sets")];
        yield '21 sets' => [$set("$prescription/dose/sets", 21), $at("$prescription/dose/sets")];
        yield '21 logged sets' => [
            $set("$session/entries/0/sets", array_fill(0, 21, new stdClass())),
            $at("$session/entries/0/sets"),
        ];
        yield '201 repetitions' => [$set("$prescription/dose/reps", 201), $at("$prescription/dose/reps")];
        yield 'sets that are not whole' => [$set("$prescription/dose/sets", 2.5), $at("$prescription/dose/sets")];
        yield 'reserve that is not whole' => [
            $set("$session/entries/0/sets/0/rir", 1.5),
            $at("$session/entries/0/sets/0/rir"),
        ];
        yield 'a rise that is not whole' => [
            $set('/response_rule/rise_over_from', 1.5),
            $at('/response_rule/rise_over_from'),
        ];
        yield 'a body mass of 7 kg' => [$set('/athlete/body_mass_kg', 7), $at('/athlete/body_mass_kg')];
        yield 'no body mass though a part of the body is lifted' => [
            $drop('/athlete/body_mass_kg'),
            $at('/athlete/body_mass_kg'),
        ];
        yield 'an infinite load' => [$set("$prescription/dose/load_kg", 1e12), $at("$prescription/dose/load_kg")];
        yield 'an end before its start' => [
            $set("$session/ended_at", '2026-03-28T17:59:59+00:00'),
            $at("$session/ended_at"),
        ];
        yield 'a moment without an offset' => [
            $set("$session/started_at", '2026-03-28T18:00:00'),
            $at("$session/started_at"),
        ];
        yield 'a time that does not exist' => [$set('/check_ins/0/at', '2026-03-26T24:10:00Z'), $at('/check_ins/0/at')];
        yield 'a date that does not exist' => [$set('/case/opened_on', '2026-02-29'), $at('/case/opened_on')];
        yield 'an unknown structure' => [$set('/case/structure', 'elbow'), $at('/case/structure')];
        yield 'an unknown mode' => [$set("$prescription/mode", 'static'), $at("$prescription/mode")];
        yield 'an unknown stage of a session' => [$set("$session/stage", 'rest'), $at("$session/stage")];
        yield 'an unknown stage in the history' => [
            $set('/stage_history/0/stage', 'rest'),
            $at('/stage_history/0/stage'),
        ];
        yield 'an unknown prescription' => [
            $set("$session/entries/0/prescription", 'curl'),
            $at("$session/entries/0/prescription"),
        ];
        yield 'a planned session that is none' => [$set("$session/planned", 'p9'), $at("$session/planned")];
        yield 'a review of nothing' => [
            $set('/reviews', [(object) ['at' => '2026-03-29T09:00:00Z', 'clears' => 'x']]),
            $at('/reviews/0/clears'),
        ];
        yield 'an unknown sign' => [$set('/check_ins/1/signs', ['itch']), $at('/check_ins/1/signs/0')];
        yield 'an unknown criterion alone, its fields let pass' => [
            $set('/stages/0/gate/0/type', 'weeks'),
            $at('/stages/0/gate/0/type'),
        ];
        yield 'a criterion that reaches for an unknown prescription' => [
            $set('/stages/0/gate/0', (object) ['type' => 'reached', 'prescription' => 'curl', 'sets' => 3]),
            $at('/stages/0/gate/0/prescription'),
        ];
        yield 'an outcome with neither bound' => [
            $set('/stages/3/gate/2', (object) ['type' => 'outcome', 'measure' => 'x']),
            $at('/stages/3/gate/2'),
        ];
        yield 'adherence over 100' => [
            $set('/stages/0/gate/0', (object) ['type' => 'adherence', 'min_percent' => 101]),
            $at('/stages/0/gate/0/min_percent'),
        ];
        yield 'one id twice' => [$set('/check_ins/2/id', 'c1'), $at('/check_ins/2/id')];
        yield 'one prescription key twice in the file' => [
            $set('/stages/1/prescriptions/0/key', 'wall'),
            $at('/stages/1/prescriptions/0/key'),
        ];
        yield 'no history' => [$set('/stage_history', []), $at('/stage_history')];
        yield 'a history out of order' => [
            $set('/stage_history', [
                (object) ['stage' => 'hold', 'from' => '2026-03-14'],
                (object) ['stage' => 'slow', 'from' => '2026-03-14'],
            ]),
            $at('/stage_history/1/from'),
        ];
        yield 'a stage for no goal' => [$set('/stages/2/goals', []), $at('/stages/2/goals')];
        yield 'blocks that begin late and do not rise' => [
            $set(
                "$prescription/progression",
                (object) [
                    'increment_kg' => 2.5,
                    'blocks' => [
                        (object) ['from_week' => 2, 'sets' => 3, 'reps' => 12],
                        (object) ['from_week' => 2, 'sets' => 3, 'reps' => 10],
                    ],
                ],
            ),
            $at("$prescription/progression/blocks/0/from_week", "$prescription/progression/blocks/1/from_week"),
        ];
        yield 'a lever without its bound' => [
            $drop("$prescription/progression/levers/0/to"),
            $at("$prescription/progression/levers/0/to"),
        ];
        yield 'a lever that is none, its fields let pass' => [
            $set("$prescription/progression/levers/0/lever", 'colour'),
            $at("$prescription/progression/levers/0/lever"),
        ];
        yield 'sets where no prescription is named' => [
            $set("$session/entries/0/prescription", null),
            $at("$session/entries/0/sets"),
        ];
        $dose = static fn(array $fields): callable => static function (stdClass $case) use (
            $prescription,
            $fields,
        ): void {
            foreach ($fields as $field => $value) {
                self::put($case, "$prescription/dose/$field", $value);
            }
        };
        yield 'two upper ends' => [$dose(['reps_to' => 5, 'hold_to_s' => 60]), $at("$prescription/dose/hold_to_s")];
        yield 'three upper ends' => [
            $dose(['reps_to' => 5, 'hold_to_s' => 60, 'work_s' => 20, 'work_to_s' => 30]),
            $at("$prescription/dose/hold_to_s", "$prescription/dose/work_to_s"),
        ];
        yield 'an upper end without its lower one' => [$dose(['work_to_s' => 30]), $at("$prescription/dose/work_to_s")];
        yield 'an upper end below its lower one' => [
            $dose(['hold_s' => 30, 'hold_to_s' => 29]),
            $at("$prescription/dose/hold_to_s"),
        ];
        yield 'steps of half a repetition' => [
            $dose(['reps_to' => 5, 'grow_by' => 1.5]),
            $at("$prescription/dose/grow_by"),
        ];
        yield 'steps of nothing' => [$dose(['reps_to' => 5, 'grow_by' => 0]), $at("$prescription/dose/grow_by")];
        yield 'steps after no session' => [
            $dose(['reps_to' => 5, 'grow_after' => 0]),
            $at("$prescription/dose/grow_after"),
        ];
        yield 'steps without a corridor' => [
            $dose(['grow_by' => 1, 'grow_after' => 2]),
            $at("$prescription/dose/grow_by", "$prescription/dose/grow_after"),
        ];
        yield 'half a landing' => [$dose(['contacts_per_rep' => 1.5]), $at("$prescription/dose/contacts_per_rep")];
        $lever = static fn(array $fields): callable => $set(
            "$prescription/progression",
            (object) ['levers' => [(object) $fields]],
        );
        yield 'a repetition maximum over 20' => [
            $lever(['lever' => 'rm', 'to' => 21, 'increment_kg' => 1]),
            $at("$prescription/progression/levers/0/to"),
        ];
        yield 'a set of one band' => [
            $lever(['lever' => 'resistance', 'steps' => ['thin']]),
            $at("$prescription/progression/levers/0/steps"),
        ];
        yield 'one band twice' => [
            $lever(['lever' => 'resistance', 'steps' => ['thin', 'thin']]),
            $at("$prescription/progression/levers/0/steps"),
        ];
        yield 'sets that are set back' => [
            $lever(['lever' => 'load', 'increment_kg' => 1, 'back' => (object) ['sets' => 2]]),
            $at("$prescription/progression/levers/0/back/sets"),
        ];
        yield 'set back beyond the corridor' => [
            static function (stdClass $case) use ($dose, $lever): void {
                $dose(['hold_s' => 30, 'hold_to_s' => 45])($case);
                $lever(['lever' => 'load', 'increment_kg' => 1, 'back' => (object) ['hold_s' => 46]])($case);
            },
            $at("$prescription/progression/levers/0/back/hold_s"),
        ];
        $blocks = static fn(array ...$blocks): callable => $set(
            "$prescription/progression",
            (object) [
                'increment_kg' => 1,
                'blocks' => array_map(static fn(array $block): object => (object) $block, $blocks),
            ],
        );
        yield 'a block whose upper end is below' => [
            $blocks(['from_week' => 1, 'sets' => 3, 'reps' => 8, 'reps_to' => 6]),
            $at("$prescription/progression/blocks/0/reps_to"),
        ];
        yield 'blocks beside another upper end' => [
            static function (stdClass $case) use ($dose, $blocks): void {
                $dose(['hold_s' => 30, 'hold_to_s' => 45])($case);
                $blocks(
                    ['from_week' => 1, 'sets' => 3, 'reps' => 8, 'reps_to' => 9],
                    ['from_week' => 2, 'sets' => 3, 'reps' => 8, 'reps_to' => 9],
                )($case);
            },
            $at("$prescription/progression/blocks/0/reps_to", "$prescription/progression/blocks/1/reps_to"),
        ];
        yield 'a block that is none is reported once' => [
            $blocks(['from_week' => 'x', 'sets' => 3, 'reps' => 8]),
            $at("$prescription/progression/blocks/0/from_week"),
        ];
        yield 'levers beside blocks, be they null' => [
            $set(
                "$prescription/progression",
                (object) [
                    'levers' => null,
                    'increment_kg' => 1,
                    'blocks' => [(object) ['from_week' => 1, 'sets' => 3, 'reps' => 8]],
                ],
            ),
            $at("$prescription/progression/levers"),
        ];
        yield 'a ladder without its own exercise' => [
            $set("$prescription/ladder", ['leg_press']),
            $at("$prescription/ladder"),
        ];
        yield 'a ladder with one rung twice' => [
            $set("$prescription/ladder", ['leg_extension_hold', 'leg_extension_hold']),
            $at("$prescription/ladder"),
        ];
        yield 'before without a dose' => [
            $set("$prescription/before", (object) ['exercise' => 'x']),
            $at("$prescription/before/dose"),
        ];
        yield 'pain wanted over the pain allowed' => [
            $set("$prescription/pain", (object) ['min' => 4, 'max' => 3]),
            $at("$prescription/pain/min"),
        ];
        yield 'pain wanted over what the school allows' => [
            $set("$prescription/pain", (object) ['min' => 9]),
            $at("$prescription/pain/min"),
        ];
        yield 'a stop level of 0' => [$set('/response_rule/stop_at', 0), $at('/response_rule/stop_at')];
        yield 'growth after no bout' => [
            $set('/response_rule/progress_after', 0),
            $at('/response_rule/progress_after'),
        ];
        yield 'over before watch' => [$set('/response_rule/rise_watch_from', 3), $at('/response_rule/rise_over_from')];
        yield 'a rest of 8 days' => [$set('/response_rule/rest_days', 8), $at('/response_rule/rest_days')];
        yield 'a rise over 10' => [$set('/response_rule/rise_over_from', 11), $at('/response_rule/rise_over_from')];
        yield 'it hurt in the middle' => [
            $set("$session/entries/0/hurt_at", 'middle'),
            $at("$session/entries/0/hurt_at"),
        ];
        yield 'a gain that is neither better nor worse' => [
            $set('/stages/0/gate/0', (object) ['type' => 'outcome_gain', 'measure' => 'x', 'min' => -3]),
            $at('/stages/0/gate/0/better'),
        ];
        yield 'loaded pain of nothing' => [
            $set(
                '/stages/0/gate/0',
                (object) [
                    'type' => 'loaded_pain',
                    'prescription' => 'zz',
                    'min_load_kg' => 1,
                    'max' => 3,
                    'days' => 7,
                    'min_sessions' => 1,
                ],
            ),
            $at('/stages/0/gate/0/prescription'),
        ];
        yield 'a zone that is none, though a file of the zone folder' => [
            $set('/timezone', 'leapseconds'),
            $at('/timezone'),
        ];
        yield "the machine's own zone" => [$set('/timezone', 'localtime'), $at('/timezone')];
        yield 'an end in 1970' => [$set("$session/ended_at", '1970-01-01T00:00:00Z'), $at("$session/ended_at")];
        yield 'a line break after a date' => [$set('/case/opened_on', "2026-01-01\n"), $at('/case/opened_on')];
        yield 'a field without a name' => [
            static function (stdClass $case): void {
                self::assertInstanceOf(stdClass::class, $case->case);
                $case->case->{''} = 1;
            },
            $at('/case/'),
        ];
        yield 'every fault at once' => [
            static function (stdClass $case): void {
                self::put($case, '/athlete/goal', 'fame');
                self::put($case, '/sessions/0/entries/0/pain', 12);
                self::put($case, '/check_ins/2/at', 'soon');
            },
            $at('/athlete/goal', '/sessions/0/entries/0/pain', '/check_ins/2/at'),
        ];
    }

    /**
     * @param callable(stdClass): void $spoil
     * @param list<string> $paths
     */
    #[DataProvider('faults')]
    public function testAFaultIsShownAtItsPath(callable $spoil, array $paths): void
    {
        $case = json_decode((string) file_get_contents(__DIR__ . '/examples/evaluate-002.case.json'));
        assert($case instanceof stdClass);
        $spoil($case);

        [$code, $answer, $error] = Support::rung(['validate', '-'], (string) json_encode($case));

        self::assertSame(2, $code);
        self::assertNull($answer);
        self::assertSame($paths, self::paths($error));
    }

    public function testOneThatIsSoundIsAccepted(): void
    {
        self::assertSame(
            [0, ['valid' => true], ''],
            Support::rung(['validate', __DIR__ . '/examples/evaluate-198.case.json']),
        );
    }

    public function testAnEvaluationNeedsAMomentWithinTheCase(): void
    {
        $file = __DIR__ . '/examples/evaluate-002.case.json';
        [$code, , $error] = Support::rung(['evaluate', $file, '--at=2026-03-13T12:00:00Z']);
        self::assertSame([2, ['/stage_history']], [$code, self::paths($error)]);

        $case = json_decode((string) file_get_contents($file));
        assert($case instanceof stdClass);
        unset($case->sessions, $case->check_ins);
        [$code, , $error] = Support::rung(['evaluate', '-'], (string) json_encode($case));
        self::assertSame([2, ['']], [$code, self::paths($error)]);
    }

    public function testTheOtherRequestsTellTheirFaultsToo(): void
    {
        $paths = static function (string $command, string $request): array {
            [$code, , $error] = Support::rung([$command, '-'], $request);

            return [$code, self::paths($error)];
        };
        self::assertSame(
            [2, ['/asks/0/rir', '/asks/1/ask', '/asks/2/unaffected', '/asks/3/increment_kg']],
            $paths(
                'strength',
                (string) json_encode([
                    'asks' => [
                        ['ask' => 'e1rm', 'load_kg' => 40, 'reps' => 15, 'rir' => 6],
                        ['ask' => 'guess'],
                        ['ask' => 'symmetry', 'affected' => 1, 'unaffected' => 0, 'side' => 'left'],
                        ['ask' => 'load_for', 'e1rm_kg' => 50, 'reps' => 5, 'increment_kg' => 0],
                    ],
                ]),
            ),
        );
        self::assertSame(
            [2, ['/body_mass_kg']],
            $paths(
                'dose',
                (string) json_encode([
                    'prescriptions' => [
                        [
                            'key' => 'a',
                            'exercise' => 'a',
                            'mode' => 'isotonic',
                            'limbs' => 'each',
                            'dose' => ['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'body_fraction' => 0.5],
                        ],
                    ],
                ]),
            ),
        );
        self::assertSame(
            [2, ['/rhythm/cycle/1', '/available/1', '/events/0']],
            $paths(
                'schedule',
                (string) json_encode([
                    'from' => '2026-03-02',
                    'days' => 7,
                    'available' => ['mon', 'someday'],
                    'events' => ['2026-02-30'],
                    'slots' => [['key' => 'hold', 'mode' => 'isometric']],
                    'rhythm' => ['cycle' => ['hold', 'spring']],
                ]),
            ),
        );
        self::assertSame(
            [2, ['/test', '/goal']],
            $paths(
                'start',
                (string) json_encode([
                    'goal' => 'fame',
                    'training_days_per_week' => 3,
                    'test' => 11,
                    'stages' => [],
                ]),
            ),
        );
    }

    /** @return list<string> */
    private static function paths(string $error): array
    {
        $answer = json_decode($error, true);
        self::assertIsArray($answer, $error);
        self::assertIsArray($answer['errors']);
        foreach ($answer['errors'] as $fault) {
            self::assertIsArray($fault);
            self::assertNotSame('', $fault['message']);
        }

        /** @var list<string> */
        return array_column($answer['errors'], 'path');
    }

    private static function put(stdClass $case, string $path, mixed $value): void
    {
        self::reach($case, explode('/', substr($path, 1)), static function (mixed &$holder, string $key) use (
            $value,
        ): void {
            if ($holder instanceof stdClass) {
                $holder->{$key} = $value;
            } elseif (is_array($holder)) {
                $holder[(int) $key] = $value;
            }
        });
    }

    private static function remove(stdClass $case, string $path): void
    {
        self::reach($case, explode('/', substr($path, 1)), static function (mixed &$holder, string $key): void {
            if ($holder instanceof stdClass) {
                unset($holder->{$key});
            }
        });
    }

    /**
     * @param list<string> $steps
     * @param callable(mixed, string): void $change
     */
    private static function reach(mixed &$at, array $steps, callable $change): void
    {
        $step = strtr((string) array_shift($steps), ['~1' => '/']);
        if ($steps === []) {
            $change($at, $step);
        } elseif (is_array($at)) {
            self::reach($at[(int) $step], $steps, $change);
        } elseif ($at instanceof stdClass) {
            self::reach($at->{$step}, $steps, $change);
        }
    }
}
