<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\Curve;
use App\Models\Outcome;
use App\Models\StrengthTest;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\TestWith;

/** What is measured in a case: tries, curves of a gauge, the sheet over time, and the file. */
final class MeasureSheetTest extends TestCase
{
    use AtTheDesk;

    public function testEveryTryIsKeptAndTheBestCounts(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $body = $this->knee(
            [300, 312, ['value' => 900, 'struck' => true]],
            [398, 402],
            ['lever_m' => 0.3, 'joint_angle' => 'knee at 30°'],
        );
        $this->preview($case, $body)
            ->assertOk()
            ->assertJsonPath('affected.words', 'Try 2 of 3.')
            ->assertJsonPath('symmetry_percent', 77.6)
            ->assertJsonPath('moment_nm', 93.6)
            ->assertJsonPath('questions', []);
        self::assertSame(0, $case->tests()->where('on', '2026-04-14')->count(), 'a preview stores nothing');
        $id = (string) Str::uuid7();
        $revision = $case->refresh()->revision;
        $this->keep($case, $body, $id)->assertStatus(201);
        $this->keep($case, $body, $id)->assertStatus(200);
        self::assertSame(1, $case->tests()->where('on', '2026-04-14')->count(), 'sent twice it is stored once');
        self::assertSame($revision + 1, $case->refresh()->revision);

        $taken = $this->sheet($case, 'knee_extension_strength')['taken'];
        self::assertIsArray($taken);
        $last = last($taken);
        self::assertSame(
            [312, 402, 'Ola Vance'],
            [data_get($last, 'affected'), data_get($last, 'unaffected'), data_get($last, 'by')],
        );
        self::assertSame(
            [900, true],
            [data_get($last, 'details.affected.2.value'), data_get($last, 'details.affected.2.struck')],
        );
        self::assertSame(93.6, data_get($last, 'details.moment_nm'));
        self::assertTrue(
            AccessLogEntry::query()
                ->whereJsonContains('cases', $case->id)
                ->where('what', 'recorded a measurement')
                ->exists(),
        );

        // Put right, its tries stay in the correction alone; with nothing changed it is refused and they stay.
        $right = fn(int $to): TestResponse => $this->ask(
            $this->practitioner(),
            'PUT',
            "/api/cases/$case->id/corrections/" . Str::uuid7(),
            [
                'what' => 'test',
                'entry' => $id,
                'struck' => false,
                'why' => 'Read from the wrong line',
                'affected' => $to,
            ],
        );
        $right(312)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['entry' => 'stays as it is']);
        self::assertNotNull(StrengthTest::query()->findOrFail($id)->details);
        $right(5001)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['affected' => 'from 0 to 5000 N']);
        $right(314)->assertStatus(201);
        self::assertNull(StrengthTest::query()->findOrFail($id)->details);

        // Struck out as a whole it counts no more, and stays in the record.
        $this->ask($this->practitioner(), 'PUT', "/api/cases/$case->id/corrections/" . Str::uuid7(), [
            'what' => 'test',
            'entry' => $id,
            'struck' => true,
            'why' => 'Wrong leg in the pad',
        ])->assertStatus(201);
        self::assertNotContains(
            $id,
            array_column((array) $this->sheet($case, 'knee_extension_strength')['taken'], 'id'),
        );
        self::assertTrue(StrengthTest::query()->findOrFail($id)->superseded);
    }

    public function testACurveIsReadByTheCoreKeptAndSeenAgain(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        [$left, $right] = [$this->curve($case, 'affected', 310), $this->curve($case, 'unaffected', 405)];
        self::assertSame(2, Curve::query()->where('case_id', $case->id)->count());
        $seen = $this->ask($own, 'GET', "/api/cases/$case->id/curves/$left")
            ->assertOk()
            ->assertJsonPath('side', 'affected');
        self::assertEqualsWithDelta(310, $seen->json('figures.peak_n'), 0.5);
        self::assertCount(480, (array) $seen->json('newtons'));
        $this->keep(
            $case,
            [
                'measure' => 'knee_extension_strength',
                'on' => '2026-04-14',
                'affected' => [['curve' => $left]],
                'unaffected' => [['curve' => $right]],
            ],
            (string) Str::uuid7(),
        )->assertStatus(201);
        $last = last((array) $this->sheet($case, 'knee_extension_strength')['taken']);
        self::assertEqualsWithDelta(310, data_get($last, 'affected'), 0.5);
        self::assertSame($left, data_get($last, 'details.affected.0.curve'));
        $file = $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today/data')->assertOk();
        self::assertEqualsCanonicalizing([$left, $right], (array) $file->json('cases.0.curves.*.id'));
        self::assertCount(480, (array) $file->json('cases.0.curves.0.newtons'));
        self::assertSame('knee_extension_strength', $file->json('cases.0.tries.0.measure'));

        // A curve of the other side, of another case or of nobody is none of this measure.
        foreach ([$right, (string) Str::uuid7(), 'x'] as $wrong) {
            $this->keep(
                $case,
                [
                    'measure' => 'knee_extension_strength',
                    'on' => '2026-04-14',
                    'affected' => [['curve' => $wrong]],
                    'unaffected' => [['value' => 400]],
                ],
                (string) Str::uuid7(),
            )
                ->assertStatus(422)
                ->assertJsonValidationErrors(['affected' => 'names a curve that was not kept']);
        }
        $this->ask($own, 'GET', "/api/cases/{$this->caseOf('Piet Olander')->id}/curves/$left")->assertStatus(404);
    }

    /** @param array<string, mixed> $more */
    #[TestWith([['ms' => [0, 10, 300]], 'ms.2', '290 ms after the one before it'])]
    #[TestWith([['force' => [0, 1, 2]], 'force', 'nothing was pulled'])]
    #[TestWith([['side' => 'both'], 'side', 'affected or unaffected'])]
    #[TestWith([['measure' => 'heel_raise_count'], 'measure', 'a measure of force'])]
    #[TestWith([['lever_m' => 0], 'lever_m', 'must be over 0'])]
    public function testABadCurveIsRefusedAtItsPlace(array $more, string $field, string $fault): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->ask(
            $this->practitioner(),
            'PUT',
            "/api/cases/$case->id/curves/" . Str::uuid7(),
            $more + [
                'measure' => 'knee_extension_strength',
                'side' => 'affected',
                'unit' => 'N',
                'ms' => [0, 10, 20],
                'force' => [0, 50, 100],
            ],
        )
            ->assertStatus(422)
            ->assertJsonValidationErrors([$field => $fault]);
        self::assertSame(0, Curve::query()->where('case_id', $case->id)->count());
    }

    public function testACurveNeverChanges(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $id = $this->curve($case, 'affected', 300);
        $this->expectExceptionMessage('curves');
        Curve::query()
            ->whereKey($id)
            ->update(['side' => 'unaffected']);
    }

    public function testOddValuesAreAskedAboutBeforeTheyCount(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->keep($case, ['on' => '2026-04-13'] + $this->knee([300], [400]), (string) Str::uuid7())->assertStatus(
            201,
        );
        $odd = $this->knee([31], [41]);
        $this->preview($case, $odd + ['confirmed' => false])
            ->assertOk()
            ->assertJsonPath('questions.0', '31 N, and the last time 300: was that read in kilograms?');
        $this->keep($case, $odd, (string) Str::uuid7())
            ->assertStatus(422)
            ->assertJsonValidationErrors(['confirmed' => 'was that read in kilograms?']);
        $this->keep($case, $odd + ['confirmed' => true], (string) Str::uuid7())->assertStatus(201);
        $this->keep($case, ['on' => '2026-04-15'] + $this->knee([300], [400]), (string) Str::uuid7())
            ->assertStatus(422)
            ->assertJsonValidationErrors(['on' => 'future']);
        $this->keep($case, $this->knee([300], []), (string) Str::uuid7())
            ->assertStatus(422)
            ->assertJsonValidationErrors(['unaffected' => 'both sides are measured']);
    }

    public function testWhatIsDueIsShownOnTheRoundAndTheCase(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $due = function () use ($case, $own): array {
            $line = collect((array) $this->ask($own, 'GET', '/api/round')->assertOk()->json('cases'))->firstWhere(
                'id',
                $case->id,
            );
            $onRound = (array) data_get($line, 'standing.tests_due');
            self::assertSame(
                $onRound,
                $this->ask($own, 'GET', "/api/cases/$case->id")
                    ->assertOk()
                    ->json('standing.tests_due'),
            );

            return $onRound;
        };
        self::assertSame([], $due());
        $case->tests()->delete();
        // Any write works out again how the case stands.
        $this->keep(
            $case,
            [
                'measure' => 'range_of_motion',
                'on' => '2026-04-14',
                'affected' => [['value' => 118]],
                'unaffected' => [['value' => 130]],
            ],
            (string) Str::uuid7(),
        )->assertStatus(201);
        self::assertSame(['Knee extension strength: never measured; the gate needs one within 28 days'], $due());
        $this->keep($case, $this->knee([300], [400]), (string) Str::uuid7())->assertStatus(201);
        self::assertSame([], $due());
    }

    public function testUnderAStopNothingIsMeasuredThatLoads(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/measures")->assertJsonPath('stopped', false);
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
            'at' => '2026-04-14T07:30:00+01:00',
            'provocation' => 9,
            'signs' => ['swelling'],
        ])->assertStatus(201);
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/measures")->assertJsonPath('stopped', true);
        $this->keep($case, $this->knee([300], [400]), (string) Str::uuid7())
            ->assertStatus(422)
            ->assertJsonValidationErrors(['measure' => 'a stop is open: review the stop first']);
        $this->ask($this->practitioner(), 'PUT', "/api/cases/$case->id/curves/" . Str::uuid7(), [
            'measure' => 'knee_extension_strength',
            'side' => 'affected',
            'unit' => 'N',
            'ms' => [0, 10, 20],
            'force' => [0, 50, 100],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['measure' => 'a stop is open']);
        $this->keep(
            $case,
            [
                'measure' => 'range_of_motion',
                'on' => '2026-04-14',
                'affected' => [['value' => 118]],
                'unaffected' => [['value' => 130]],
            ],
            (string) Str::uuid7(),
        )->assertStatus(201);
        // What was measured before the stop may be written down still.
        $this->keep($case, ['on' => '2026-04-13'] + $this->knee([300], [400]), (string) Str::uuid7())->assertStatus(
            201,
        );
    }

    public function testWhatIsOfBothSidesTogetherIsAScoreOfTheCase(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/measures/hip_squeeze_long")
            ->assertOk()
            ->assertJsonPath('each_side', false)
            ->assertJsonPath('words', 'Not measured yet.');
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/measures/luck")->assertStatus(404);
        $id = (string) Str::uuid7();
        $this->keep(
            $case,
            ['measure' => 'hip_squeeze_long', 'on' => '2026-04-14', 'affected' => [['value' => 240], ['value' => 250]]],
            $id,
        )->assertStatus(201);
        self::assertSame(250.0, Outcome::query()->findOrFail($id)->score);
        self::assertSame('Measured once, on Tue 14 Apr.', $this->sheet($case, 'hip_squeeze_long')['words']);
        $right = $this->ask($this->practitioner(), 'PUT', "/api/cases/$case->id/corrections/" . Str::uuid7(), [
            'what' => 'score',
            'entry' => $id,
            'struck' => false,
            'why' => 'Read from the wrong line',
            'score' => 9000,
        ]);
        $right->assertStatus(422)->assertJsonValidationErrors(['score' => 'from 0 to 5000 N']);
    }

    public function testAMaximumSaysWhatItWouldChangeAndChangesNothing(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $plan = $case->planVersions()->count();
        $set = static fn(int $load): array => [
            'measure' => 'leg_press_maximum',
            'on' => '2026-04-14',
            'affected' => [['load_kg' => $load, 'reps' => 5, 'rir' => 1]],
            'unaffected' => [['load_kg' => $load + 20, 'reps' => 5, 'rir' => 1]],
        ];
        $preview = $this->preview($case, $set(100))->assertOk();
        // 100 × (1 + 6 / 30) = 120.
        self::assertSame(120, $preview->json('affected.best'));
        self::assertSame(['reps' => 1, 'load_kg' => 120], $preview->json('loads.0'));
        self::assertSame(['reps' => 10, 'load_kg' => 90], $preview->json('loads.9'));
        $follows = (array) $this->keep($case, $set(100), (string) Str::uuid7())->assertStatus(201)->json('follows');
        $press = $case->plan()->stage('slow')?->stage->prescriptions ?? [];
        $asked = array_values(
            array_filter(
                $press,
                static fn(object $prescription): bool => $prescription->exercise === 'leg_press_one' &&
                    ($prescription->dose->rm !== null || $prescription->dose->rir !== null),
            ),
        );
        self::assertNotSame([], $asked, 'the stage asks a repetition maximum of it');
        self::assertSame(array_column($asked, 'key'), array_column($follows, 'prescription'));
        self::assertStringContainsString(' RM; no load is prescribed yet', self::text(data_get($follows, '0.words')));
        self::assertSame($plan, $case->planVersions()->count(), 'nothing changes by itself');
    }

    public function testAHoldAtAShareOfTheMaximumIsShownInNewtonsOnThePhone(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $bands = function (): array {
            $exercises = data_get(
                $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->assertOk()->json(),
                'cases.0.sessions.*.exercises.*',
            );
            $held = array_filter(
                (array) $exercises,
                static fn(mixed $exercise): bool => data_get($exercise, 'dose.percent_mvc') === 70,
            );
            self::assertNotSame([], $held, 'the week has a hold at 70 %');

            return collect($held)->pluck('band.words')->unique()->values()->all();
        };
        $case->tests()->delete();
        self::assertSame([null], $bands());
        $this->keep($case, $this->knee([260], [300]), (string) Str::uuid7())->assertStatus(201);
        self::assertSame(
            ['70 % of your maximum is 182 N; stay between 169 and 195. Measured on Tue 14 Apr.'],
            $bands(),
        );
        $own = $this->practitioner();
        self::assertContains(
            '70 % of 260 N measured on Tue 14 Apr: 182 N (169 to 195)',
            (array) $this->ask($own, 'GET', "/api/cases/$case->id")
                ->assertOk()
                ->json('prescriptions.*.held'),
        );
        self::assertContains(
            182,
            (array) $this->ask($own, 'GET', "/api/cases/$case->id/visit")
                ->assertOk()
                ->json('exercises.*.band.value'),
        );
    }

    public function testTheSheetIsSavedAsAFileAndTakenInAgain(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->keep($case, $this->knee([300], [400], ['joint_angle' => '=1+1']), (string) Str::uuid7())->assertStatus(
            201,
        );
        $file = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/measures/file")->assertOk();
        $csv = (string) $file->getContent();
        self::assertStringStartsWith("measure,on,affected,unaffected,unit,lever_m,joint_angle\r\n", $csv);
        self::assertStringContainsString(
            "knee_extension_strength,2026-04-14,300,400,N,,'=1+1\r\n",
            $csv,
            'a formula is written as a text',
        );
        $count = $case->tests()->count();
        $this->import($case, $csv)->assertOk()->assertJsonPath('stored', 0);
        self::assertSame($count, $case->tests()->count(), 'what is there already is left out');
        $this->import(
            $case,
            "\u{FEFF}on,measure,affected,unaffected,unit\n2026-04-01,range_of_motion,\"118,5\",130,°\n\n2026-04-02,knee_extension_strength,30,40,kg\n",
        )
            ->assertOk()
            ->assertJsonPath('stored', 2);
        self::assertSame(
            118.5,
            $case->tests()->where('test', 'range_of_motion')->where('on', '2026-04-01')->firstOrFail()->affected,
        );
        self::assertSame(294.2, $case->tests()->where('on', '2026-04-02')->firstOrFail()->affected);
        $this->import($case, "measure;on;affected;unaffected\nrange_of_motion;2026-04-03;118,5;130\n")
            ->assertOk()
            ->assertJsonPath('stored', 1);
    }

    public function testAFileWithAFaultChangesNothing(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $count = $case->tests()->count();
        $this->import(
            $case,
            "measure,on,affected,unaffected\nrange_of_motion,2026-04-01,118,130\nrange_of_motion,2026-13-01,118,130\nluck,2026-04-01,1,2\nrange_of_motion,2026-04-03,much,130\n",
        )
            ->assertStatus(422)
            ->assertJsonValidationErrors([
                'rows.1.on' => 'does not exist',
                'rows.2.measure' => 'of the library',
                'rows.3.affected.0.value' => 'must be a number',
            ]);
        // Faults that only the case can tell undo the rows before them too.
        $this->import(
            $case,
            "measure,on,affected,unaffected\nrange_of_motion,2026-04-01,118,130\nrange_of_motion,2026-04-20,118,130\n",
        )
            ->assertStatus(422)
            ->assertJsonValidationErrors(['rows.1.on' => 'future']);
        $this->import($case, "measure;on\nrange_of_motion;2026-04-01")
            ->assertStatus(422)
            ->assertJsonValidationErrors(['csv' => 'missing: affected']);
        $this->import($case, "measure,on,affected\n")
            ->assertStatus(422)
            ->assertJsonValidationErrors(['csv' => 'a line for each entry']);
        $this->import($case, "measure,on,affected\n" . str_repeat("range_of_motion,2026-04-01,118\n", 501))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['csv' => 'at most 500 rows']);
        self::assertSame($count, $case->tests()->count());
    }

    public function testAPracticeMeasuresWhatItWritesItself(): void
    {
        $own = $this->practitioner();
        $case = $this->caseOf('Juno Tamsin');
        $key = self::text(
            $this->ask($own, 'POST', '/api/library/items', ['kind' => 'measure', 'key' => 'hop_distance'])
                ->assertStatus(201)
                ->json('key'),
        );
        $content = (array) $this->ask($own, 'GET', "/api/library/items/measure/$key")
            ->assertOk()
            ->json('content');
        $save = fn(array $change): TestResponse => $this->ask($own, 'PUT', "/api/library/items/measure/$key", [
            'version' => 1,
            'content' => $change + $content,
        ]);
        $save(['highest' => -1])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['highest' => 'over the lowest']);
        $save(['unit' => 'N'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['unit' => 'must be cm for the kind distance']);
        $save(['title' => 'Hop over the ring', 'highest' => 900])->assertOk();
        $this->keep(
            $case,
            [
                'measure' => $key,
                'on' => '2026-04-14',
                'affected' => [['value' => 950]],
                'unaffected' => [['value' => 140]],
            ],
            (string) Str::uuid7(),
        )
            ->assertStatus(422)
            ->assertJsonValidationErrors(['affected.0.value' => 'from 0 to 900 cm']);
        $this->keep(
            $case,
            [
                'measure' => $key,
                'on' => '2026-04-14',
                'affected' => [['value' => 120]],
                'unaffected' => [['value' => 140]],
            ],
            (string) Str::uuid7(),
        )->assertStatus(201);
        self::assertSame('Hop over the ring', $this->sheet($case, $key)['title']);
        self::assertContains(
            'Hop over the ring',
            array_column((array) $this->ask($own, 'GET', '/api/library')->assertOk()->json('measures'), 'title'),
        );
    }

    /**
     * @param list<int|array<string, mixed>> $affected
     * @param list<int> $unaffected
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private function knee(array $affected, array $unaffected, array $more = []): array
    {
        $try = static fn(int|array $value): array => is_int($value) ? ['value' => $value] : $value;

        return $more + [
            'measure' => 'knee_extension_strength',
            'on' => '2026-04-14',
            'affected' => array_map($try, $affected),
            'unaffected' => array_map($try, $unaffected),
        ];
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function preview(CareCase $case, array $body): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/measurements/preview", $body);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function keep(CareCase $case, array $body, string $id): TestResponse
    {
        return $this->ask($this->practitioner(), 'PUT', "/api/cases/$case->id/measurements/$id", $body);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function import(CareCase $case, string $csv): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/measures/file", ['csv' => $csv]);
    }

    /** @return array<array-key, mixed> */
    private function sheet(CareCase $case, string $key): array
    {
        $measures = (array) $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/measures")
            ->assertOk()
            ->json('measures');
        $found =
            array_values(
                array_filter($measures, static fn(mixed $measure): bool => data_get($measure, 'key') === $key),
            )[0] ?? null;
        self::assertIsArray($found, $key);

        return $found;
    }

    /** A pull of three seconds at a gauge that sends 80 samples a second. */
    private function curve(CareCase $case, string $side, int $peak): string
    {
        $ms = $force = [];
        for ($i = 0; $i < 480; $i++) {
            $ms[] = 12.5 * $i;
            $force[] = $peak * max(0, min(1, ($i - 80) / 30, (360 - $i) / 20));
        }
        $id = (string) Str::uuid7();
        $this->ask($this->practitioner(), 'PUT', "/api/cases/$case->id/curves/$id", [
            'measure' => 'knee_extension_strength',
            'side' => $side,
            'unit' => 'N',
            'ms' => $ms,
            'force' => $force,
        ])->assertStatus(201);

        return $id;
    }
}
