<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\Opening;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Yaml\Yaml;

/**
 * Every route of the contract is sent what no form would send, at every field, in the address and in the headers. None
 * may bring the server down. The routes are read off the contract, so that a new one is tried by itself.
 */
final class FuzzTest extends TestCase
{
    /** As JSON texts, since some of them no encoder would write. */
    private const NASTY = [
        '1e400',
        '-1',
        '1000000000',
        '99999999999999999999',
        '1.5',
        'true',
        'null',
        '[]',
        '{}',
        '""',
        '"\u0000"',
        '"\ud800"',
        '"2026-02-30"',
        '"9999-12-31"',
        '"9999-12-31T00:00:00Z"',
        '"0000-01-01T00:00:00+18:00"',
        '[[[[[[[[[[]]]]]]]]]]',
        '{"":1}',
        '"\u202e"',
    ];

    private static int $sent = 0;

    /** @return iterable<string, array{string, string}> */
    public static function routes(): iterable
    {
        foreach (self::contract()['paths'] as $path => $operations) {
            foreach (array_keys($operations) as $method) {
                if ($method !== 'parameters') {
                    yield strtoupper($method) . " $path" => [strtoupper($method), $path];
                }
            }
        }
    }

    #[DataProvider('routes')]
    public function testNothingThatIsSentBringsARouteDown(string $method, string $path): void
    {
        $before = self::$sent;
        $case = $this->caseOf('Juno Tamsin');
        $who = str_starts_with($path, '/api/today') ? $this->athlete('Juno Tamsin') : $this->practitioner();
        $real = $this->address($path, $case);
        foreach (['%ff', 'x', str_repeat('k', 5000), '%00', (string) Str::uuid7(), '1e400'] as $odd) {
            if (str_contains($path, '{')) {
                $this->send($who, $method, (string) preg_replace('/\{\w+\}/', $odd, $path), '{}');
            }
        }
        foreach (
            [
                'after=99999.2026-02-30.x',
                'after=1.2026-02-30.' . Str::uuid7(),
                'search=%ff',
                'q[]=x',
                'name[a]=b',
                'kind=%00',
                'a=' . str_repeat('k', 5000),
                'practitioner=x',
                '%ff=1',
                'stage=%27',
            ]
            as $query
        ) {
            $this->send($who, $method, "$real?$query", '{}');
        }
        $this->send($who, $method, $real, '{"id":', ['CONTENT_TYPE' => 'application/json']);
        $this->send($who, $method, $real, str_repeat('[', 100) . str_repeat(']', 100));
        $this->send($who, $method, $real, "\xff\xfe");
        // Only what comes from a phone is put right by the phone's clock.
        foreach (
            str_starts_with($path, '/api/today')
                ? ['+1000000000 years', '9999-12-31T00:00:00Z', '0001-01-01T00:00:00Z', "x\xff"]
                : []
            as $clock
        ) {
            $this->send($who, $method, $real, (string) json_encode($this->body($method, $path, $case)), [
                'HTTP_X_PHONE_CLOCK' => $clock,
            ]);
        }
        $body = $this->body($method, $path, $case);
        foreach ($this->spoilt($body) as $text) {
            $this->send($who, $method, $real, $text);
        }
        self::assertGreaterThan($before + 10, self::$sent);
    }

    public static function tearDownAfterClass(): void
    {
        fwrite(STDERR, "\n" . self::$sent . " odd requests, none of them answered by 500\n");
        parent::tearDownAfterClass();
    }

    /** What is refused is refused at its field, in words that say what to do. */
    public function testWhatUsedToBringItDownIsRefusedAtItsField(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $own = $this->practitioner();
        $case = $this->caseOf('Juno Tamsin');
        $morning = fn(array $body): \Illuminate\Testing\TestResponse => $this->ask(
            $juno,
            'PUT',
            '/api/today/check-ins/' . Str::uuid7(),
            $body + ['at' => '2026-04-14T07:00:00+01:00', 'provocation' => 2],
        );
        $morning(['stiffness_min' => 1_000_000_000])
            ->assertStatus(422)
            ->assertJsonPath('errors.stiffness_min.0', 'Stiffness must be from 0 to 1440.');
        $morning(['notes' => str_repeat('a', 4001)])
            ->assertStatus(422)
            ->assertJsonPath('errors.notes.0', 'Notes must not be longer than 4000 letters.');
        $morning(['notes' => "a\0b"])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('notes');
        $this->ask($own, 'POST', "/api/cases/$case->id/tests", [
            'test' => 'knee_extension_strength',
            'on' => '2026-04-14',
            'affected' => 1e8,
            'unaffected' => 400,
            'unit' => 'N',
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.affected.0', 'Affected must be from 0 to 100000.');
        $this->ask($juno, 'PUT', '/api/today/sessions/' . Str::uuid7(), [
            'planned' => 'x',
            'plan_version' => 1,
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'entries' => [],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('planned');
        foreach (
            [
                'after=99999.2026-02-30.x' => 'after',
                'after=1.2026-02-30.' . Str::uuid7() => 'after',
                'search=%ff' => 'search',
                'search[]=x' => 'search',
            ]
            as $query => $field
        ) {
            $this->send($own, 'GET', "/api/round?$query", '')
                ->assertStatus(422)
                ->assertJsonValidationErrorFor($field);
        }
        $this->send($own, 'GET', '/api/cases/%ff', '')->assertNotFound();
        $plan = $this->ask($own, 'GET', "/api/cases/$case->id/plan");
        $stage = collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));
        $asked = [
            'stage' => $plan->json('stage'),
            'prescriptions' => array_column((array) ($stage['prescriptions'] ?? []), 'prescription'),
        ];
        $this->ask($own, 'POST', "/api/cases/$case->id/plan/preview", $asked + ['from' => '9999-12-31'])
            ->assertStatus(422)
            ->assertJsonPath('errors.from.0', 'From must lie within 180 days.');
        $this->ask($own, 'PUT', '/api/library/items/rule/' . str_repeat('k', 5000), [
            'version' => 1,
            'content' => [],
        ])->assertNotFound();
        $this->send(
            $juno,
            'PUT',
            '/api/today/check-ins/' . Str::uuid7(),
            '{"at":"2026-04-14T07:00:00+01:00","provocation":2}',
            ['HTTP_X_PHONE_CLOCK' => '+1000000000 years'],
        )
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('X-Phone-Clock');
    }

    /** What the contract states is kept, at every text, number and list of every request; and it states a bound for each. */
    public function testEveryBoundThatTheContractStatesIsKept(): void
    {
        $open = [];
        $kept = 0;
        $case = $this->caseOf('Juno Tamsin');
        foreach (self::routes() as $name => [$method, $path]) {
            $schema =
                self::contract()['paths'][$path][strtolower($method)]['requestBody']['content']['application/json'][
                    'schema'
                ] ?? null;
            if ($schema === null) {
                continue;
            }
            $who = str_starts_with($path, '/api/today') ? $this->athlete('Juno Tamsin') : $this->practitioner();
            foreach ($this->leaves($schema, '') as $place => $bounds) {
                $over = match (true) {
                    isset($bounds['enum']) || ($bounds['type'] ?? null) === 'boolean' => null,
                    isset($bounds['maxLength']) => (string) json_encode(str_repeat('ä', $bounds['maxLength'] + 1)),
                    isset($bounds['maximum']) => (string) json_encode($bounds['maximum'] + 1),
                    isset($bounds['maxItems']) => '[' . implode(',', array_fill(0, $bounds['maxItems'] + 1, '1')) . ']',
                    isset($bounds['maxProperties']) => (string) json_encode(
                        array_fill_keys(
                            array_map(static fn(int $i): string => "f$i", range(0, $bounds['maxProperties'])),
                            1,
                        ),
                    ),
                    default => '',
                };
                if ($over === '') {
                    $open[] = "$name $place";
                } elseif ($over !== null) {
                    [$text, $field] = self::around($place, $over);
                    $errors = $this->send($who, $method, $this->address($path, $case), $text)
                        ->assertStatus(422)
                        ->json('errors');
                    self::assertIsArray($errors);
                    self::assertArrayHasKey($field, $errors, "$name: $text");
                    $kept++;
                }
            }
        }
        self::assertSame([], $open, 'these have no bound in the contract');
        self::assertGreaterThan(120, $kept);
    }

    /**
     * @param array<string, string> $headers
     *
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function send(
        User $who,
        string $method,
        string $path,
        string $body,
        array $headers = [],
    ): \Illuminate\Testing\TestResponse {
        $practice = app(\App\Support\CurrentPractice::class);
        $practice->leave();
        $this->actingAs($who);
        DB::table('sign_in_tries')->delete();
        $response = $this->call(
            $method,
            $path,
            [],
            [],
            [],
            $headers + ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
            $method === 'GET' ? '' : $body,
        );
        $practice->enterEvery();
        self::$sent++;
        self::assertLessThan(
            500,
            $response->getStatusCode(),
            "$method " .
                substr($path, 0, 200) .
                ' ' .
                substr($body, 0, 400) .
                "\n" .
                ($response->exception === null
                    ? ''
                    : $response->exception::class . ': ' . $response->exception->getMessage()),
        );

        return $response;
    }

    private function address(string $path, CareCase $case): string
    {
        $opening = Opening::factory()->by($this->practitioner())->create();

        $paper = str_contains($path, '{paper}')
            ? self::text(
                $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/papers", ['kind' => 'referrer'])->json(
                    'id',
                ),
            )
            : '';

        return strtr($path, [
            '{paper}' => $paper,
            '{import}' => (string) Str::uuid7(),
            '{token}' => (string) Str::uuid7(),
            '{file}' => (string) Str::uuid7(),
            '{case}' => $case->id,
            '{opening}' => $opening->id,
            '{id}' => (string) Str::uuid7(),
            '{decision}' => (string) Str::uuid7(),
            '{session}' => $case->trainingSessions()->firstOrFail()->id,
            '{kind}' => 'rule',
            '{key}' => 'low',
            '{exercise}' => 'squat',
            '{phone}' => (string) Str::uuid7(),
            '{cover}' => (string) Str::uuid7(),
            '{other}' => (string) Str::uuid7(),
            '{person}' => (string) Str::uuid7(),
            '{share}' => (string) Str::uuid7(),
        ]);
    }

    /** @return array<string, mixed> what a browser might send */
    private function body(string $method, string $path, CareCase $case): array
    {
        $plan = fn(): array => (function () use ($case): array {
            $found = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/plan");
            $stage = collect((array) $found->json('stages'))->firstWhere('key', $found->json('stage'));

            return [
                'revision' => $case->refresh()->revision,
                'stage' => $found->json('stage'),
                'why' => 'x',
                'from' => '2026-04-15',
                'note' => 'y',
                'rhythm' => ['every_days' => 2],
                'available' => ['mon'],
                'ends_rest' => false,
                'prescriptions' => array_slice(
                    array_column((array) ($stage['prescriptions'] ?? []), 'prescription'),
                    0,
                    1,
                ),
            ];
        })();

        return match (true) {
            $method === 'GET' || $method === 'DELETE' => [],
            str_ends_with($path, '/set-log') => ['text' => '{"format":"rung-sets/1","sets":[{"reps":3}]}'],
            str_ends_with($path, '/tokens') => ['name' => 'x', 'days' => 30],
            str_contains($path, '/sheets') => [
                'id' => (string) Str::uuid7(),
                'kind' => 'exercises',
                'text' => "Date,Exercise,Sets,Reps\n2026-04-09,x,3,8",
                'columns' => ['on' => 0, 'exercise' => 1],
                'dates' => 'ymd',
            ],
            str_ends_with($path, '/papers') => ['kind' => 'coach'],
            str_ends_with($path, '/papers/{paper}'), str_ends_with($path, '/papers/{paper}/preview') => [
                'based_on' => 1,
                'to' => 'x',
                'texts' => ['asked' => 'x'],
                'left_out' => ['course'],
            ],
            str_ends_with($path, '/signature') => ['version' => 1],
            str_ends_with($path, '/consent') => [
                'by' => 'x',
                'on' => '2026-04-14',
                'how' => 'spoken',
                'diagnosis' => false,
            ],
            str_ends_with($path, '/papers/{paper}/file') => ['size' => 'A4'],
            str_ends_with($path, '/plan'), str_ends_with($path, '/preview') => $plan(),
            $path === '/api/cases', $path === '/api/start-proposals' => OpeningTest::opening([
                'id' => (string) Str::uuid7(),
            ]),
            str_ends_with($path, '/decisions') => [
                'kind' => 'flare',
                'revision' => $case->refresh()->revision,
                'reason' => 'x',
                'prescriptions' => [],
                'stage' => 'slow',
                'clears' => 'x',
                'rule' => 'low',
                'review_on' => '2026-05-01',
                'flare' => ['ease' => true, 'rest_days' => 1, 'holds_only_days' => 2, 'advice' => 'x'],
            ],
            $path === '/api/today/sessions/{id}' && $method === 'PUT' => [
                'planned' => null,
                'plan_version' => 1,
                'kind' => 'loading',
                'started_at' => '2026-04-14T07:00:00+01:00',
                'ended_at' => '2026-04-14T07:40:00+01:00',
                'minutes' => 30,
                'effort' => 3,
                'settled_min' => 20,
                'participation' => 'full',
                'signs' => [],
                'notes' => 'x',
                'entries' => [
                    [
                        'prescription' => null,
                        'pain' => 2,
                        'before' => 1,
                        'after' => 1,
                        'skipped' => 'x',
                        'notes' => 'x',
                        'sets' => [
                            ['reps' => 1, 'hold_s' => 1, 'work_s' => 1, 'load_kg' => 1, 'rir' => 1, 'effort' => 1],
                        ],
                    ],
                ],
            ],
            $path === '/api/today/sessions/{id}' => ['settled_min' => 10],
            $path === '/api/today/phones/{phone}' => ['morning_at' => 480, 'session_at' => null, 'messages' => true],
            $path === '/api/today/check-ins/{id}' => [
                'at' => '2026-04-14T07:00:00+01:00',
                'made_at' => '2026-04-14T07:00:00+01:00',
                'provocation' => 2,
                'stiffness_min' => 3,
                'signs' => [],
                'notes' => 'x',
            ],
            str_ends_with($path, '/tests') => [
                'test' => 'knee_extension_strength',
                'on' => '2026-04-14',
                'affected' => 300,
                'unaffected' => 400,
                'unit' => 'N',
            ],
            str_ends_with($path, '/scores') => ['score' => 5, 'on' => '2026-04-14'],
            str_ends_with($path, '/measures/file') => [
                'csv' => "measure,on,affected,unaffected\nrange_of_motion,2026-04-14,120,130",
            ],
            str_contains($path, '/measurements/') => [
                'measure' => 'knee_extension_strength',
                'on' => '2026-04-14',
                'affected' => [['value' => 300, 'unit' => 'N', 'struck' => false]],
                'unaffected' => [['value' => 400]],
                'lever_m' => 0.3,
                'joint_angle' => 'x',
                'confirmed' => true,
            ],
            str_contains($path, '/curves/') => [
                'measure' => 'knee_extension_strength',
                'side' => 'affected',
                'unit' => 'N',
                'ms' => [0, 10, 20],
                'force' => [0, 20, 40],
                'lever_m' => 0.3,
                'mvc' => 300,
                'percent' => 70,
            ],
            str_ends_with($path, '/weeks/lighter') => ['week' => '2026-04-20', 'less_percent' => 50],
            str_ends_with($path, '/days/read') => ['text' => '18 Apr'],
            str_contains($path, '/weeks/days') => [
                'events' => ['2026-04-18'],
                'blocked' => ['2026-04-20'],
                'reason' => 'x',
            ],
            str_ends_with($path, '/weeks/preview'), str_ends_with($path, '/moves') => [
                'moves' => [['session' => (string) Str::uuid7(), 'on' => '2026-04-20']],
                'reason' => 'x',
            ],
            str_ends_with($path, '/visits') => [
                'id' => (string) Str::uuid7(),
                'began' => '2026-04-14T07:00:00+01:00',
                'trials' => [
                    ['exercise' => 'leg_press_two', 'reps' => 5, 'load_kg' => 20, 'pain' => 1, 'reserve' => 2],
                ],
                'note' => 'x',
            ],
            str_ends_with($path, '/nudges') => ['words' => 'x'],
            $path === '/api/openings', $path === '/api/openings/{opening}' => ['step' => 1, 'form' => ['name' => 'x']],
            $path === '/api/library/items' => ['kind' => 'rule', 'key' => 'low'],
            str_starts_with($path, '/api/library/items/') => [
                'version' => 1,
                'content' => ['key' => 'low', 'title' => 'x'],
            ],
            $path === '/api/library/file/changes', $path === '/api/library/file' => [
                'format' => 'rung-library/1',
                'exercises' => [],
            ],
            $path === '/api/session' => ['email' => 'Ola.Vance@ropewalk.example', 'password' => 'x', 'stay' => true],
            $path === '/api/join' => ['token' => 'x', 'password' => 'x'],
            default => [],
        };
    }

    /**
     * The body with each of its parts, at any depth, replaced by each nasty value.
     *
     * @param array<array-key, mixed> $body
     *
     * @return iterable<string>
     */
    private function spoilt(array $body): iterable
    {
        $values = [...self::NASTY, '"' . str_repeat('k', 5000) . '"'];
        $places = $this->places($body);
        // A sixth of the values at each place, each time others; where a body has fewer places, so many more at each.
        $share = max(1, min(6, count($places)));
        foreach ($places as $turn => $place) {
            $marked = $body;
            $part = &$marked;
            foreach ($place as $step) {
                $part = &$part[$step];
            }
            $part = '@@here@@';
            unset($part);
            $text = (string) json_encode($marked);
            foreach ($values as $i => $nasty) {
                if (($i + $turn) % $share === 0) {
                    yield str_replace('"@@here@@"', $nasty, $text);
                }
            }
        }
    }

    /**
     * @param array<array-key, mixed> $body
     *
     * @return list<list<array-key>>
     */
    private function places(array $body): array
    {
        $places = [];
        foreach ($body as $name => $part) {
            $places[] = [$name];
            if (is_array($part)) {
                array_push(
                    $places,
                    ...array_map(static fn(array $inner): array => [$name, ...$inner], $this->places($part)),
                );
            }
        }

        return $places;
    }

    /**
     * @param array<string, mixed> $schema
     *
     * @return iterable<string, array<string, mixed>> by place, such as /entries/0/pain
     */
    private function leaves(array $schema, string $place): iterable
    {
        while (isset($schema['$ref'])) {
            $found = self::contract();
            foreach (explode('/', substr($schema['$ref'], 2)) as $step) {
                $found = $found[$step];
            }
            $schema = $found;
        }
        foreach ($schema['oneOf'] ?? [] as $branch) {
            if (($branch['type'] ?? null) !== 'null') {
                yield from $this->leaves($branch, $place);
            }
        }
        if (isset($schema['oneOf'])) {
            return;
        }
        $properties = $schema['properties'] ?? null;
        if ($properties === null && $place !== '') {
            yield $place => $schema;
        }
        foreach ($properties ?? [] as $name => $property) {
            yield from $this->leaves($property, "$place/$name");
        }
        if (isset($schema['items'])) {
            yield from $this->leaves($schema['items'], "$place/0");
        }
    }

    /** @return array{string, string} a body that holds the value at the place, and the field as errors name it */
    private static function around(string $place, string $value): array
    {
        $steps = explode('/', substr($place, 1));
        foreach (array_reverse($steps) as $step) {
            $value = $step === '0' ? "[$value]" : '{' . json_encode($step) . ":$value}";
        }

        return [$value, implode('.', $steps)];
    }

    /** @return array<string, mixed> */
    private static function contract(): array
    {
        static $contract = null;

        return $contract ??= (array) Yaml::parseFile(__DIR__ . '/../../docs/formats/api.yaml');
    }
}
