<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\Outcome;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Rung\Core\Stage\OverTest;

/** A visit at the treatment table: what is measured again, what is tried, and the line that stays of it. */
final class VisitTest extends TestCase
{
    use AtTheDesk;

    public function testAVisitIsMeasuredTriedAndWrittenDown(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $case
            ->forceFill([
                'severity' => [
                    'name' => 'Knee score',
                    'lowest' => 0,
                    'highest' => 100,
                    'higher_is_better' => true,
                    'smallest_change' => 10,
                    'score' => null,
                ],
            ])
            ->save();
        $own = $this->practitioner();
        $page = $this->ask($own, 'GET', "/api/cases/$case->id/visit")
            ->assertOk()
            ->assertJsonPath('stopped', false);
        self::assertContains('Knee score', (array) $page->json('measures.*.key'));
        self::assertContains('knee_extension_strength', (array) $page->json('measures.*.key'));
        $exercises = collect((array) $page->json('exercises'));
        self::assertSame($exercises->pluck('exercise')->unique()->count(), $exercises->count(), 'each once');
        self::assertTrue(
            $exercises->contains('now', true) && $exercises->contains('now', false),
            'what is asked for, and the rungs beside it',
        );

        $began = CarbonImmutable::now()->toIso8601String();
        $this->score($case, 56)->assertStatus(201);
        $this->test($case, ['affected' => 300, 'unaffected' => 400])->assertStatus(201);
        $tried = [
            'exercise' => $exercises->value('exercise'),
            'reps' => 8,
            'load_kg' => 62.5,
            'pain' => 2,
            'reserve' => 2,
        ];
        $id = (string) Str::uuid7();
        $words = self::text(
            $this->end($case, ['id' => $id, 'began' => $began, 'trials' => [$tried], 'note' => 'Depth is even now'])
                ->assertStatus(201)
                ->json('words'),
        );
        self::assertStringContainsString('8 repetitions at 62.5 kg: pain 2 of 10, 2 in reserve.', $words);
        self::assertStringContainsString(
            'Measured: Knee extension strength 300 and 400 N, symmetry 75 %; Knee score 56.',
            $words,
        );

        // Sent again it is written once, and what belongs to something else is refused.
        $this->end($case, ['id' => $id, 'began' => $began])
            ->assertStatus(200)
            ->assertJsonPath('words', $words);
        self::assertSame(1, $case->decisions()->where('kind', 'visit')->count());
        $note = self::text($this->decide($case, ['kind' => 'note', 'reason' => 'Came by'])->json('id'));
        $this->end($case, ['id' => $note, 'began' => $began])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['id' => 'is taken']);

        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('decisions.1.words', $words)
            ->assertJsonPath('decisions.1.reason', 'Depth is even now')
            ->assertJsonPath('decisions.1.can_undo', false);
        self::assertTrue(
            AccessLogEntry::query()->whereJsonContains('cases', $case->id)->where('what', 'ended a visit')->exists(),
        );
        $this->ask($own, 'GET', "/api/cases/$case->id/visit")->assertOk();
        $measures = collect((array) $this->ask($own, 'GET', "/api/cases/$case->id/visit")->json('measures'))->keyBy(
            'key',
        );
        self::assertSame(
            75,
            data_get(
                $measures,
                'knee_extension_strength.taken.' .
                    (count((array) data_get($measures, 'knee_extension_strength.taken')) - 1) .
                    '.symmetry_percent',
            ),
        );
        self::assertNull(data_get($measures, 'knee_extension_strength.due'));
        self::assertSame(56, data_get($measures, 'Knee score.taken.0.affected'));
    }

    public function testNothingOfAVisitCountsAsASession(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        [$sessions, $standing] = [TrainingSession::query()->where('case_id', $case->id)->count(), $case->snapshot];
        $this->end($case, [
            'trials' => [['exercise' => 'leg_press_two', 'reps' => 8, 'load_kg' => 500, 'pain' => 9]],
        ])->assertStatus(201);
        self::assertSame($sessions, TrainingSession::query()->where('case_id', $case->id)->count());
        self::assertEquals($standing?->proposed->action, $case->refresh()->snapshot?->proposed->action);
    }

    public function testWhatIsWrongIsSaidAtItsFieldAndNothingIsStored(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $case->forceFill(['severity' => null])->save();
        $this->score($case, 5)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['score' => 'no score was chosen']);
        $case
            ->forceFill([
                'severity' => [
                    'name' => 'Knee score',
                    'lowest' => 0,
                    'highest' => 100,
                    'higher_is_better' => true,
                    'smallest_change' => null,
                    'score' => null,
                ],
            ])
            ->save();
        $this->score($case, 101)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['score' => 'from 0 to 100']);
        $this->score($case, 50, '2026-04-15')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['on' => 'future']);
        $this->score($case, 0, '2026-03-01')->assertStatus(201);
        // Put right later it is held to the same range.
        $score = Outcome::query()->where('case_id', $case->id)->where('on', '2026-03-01')->firstOrFail();
        $right = fn(int $to): TestResponse => $this->ask(
            $this->practitioner(),
            'PUT',
            "/api/cases/$case->id/corrections/" . Str::uuid7(),
            [
                'what' => 'score',
                'entry' => $score->id,
                'struck' => false,
                'why' => 'Read from the wrong line',
                'score' => $to,
            ],
        );
        $right(101)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['score' => 'from 0 to 100']);
        self::assertSame(
            [0.0],
            Outcome::query()
                ->where('case_id', $case->id)
                ->where('measure', 'Knee score')
                ->where('on', '2026-03-01')
                ->pluck('score')
                ->all(),
        );

        $this->test($case, ['test' => 'arm_wrestling', 'affected' => 1, 'unaffected' => 1])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['test' => 'that this case follows']);
        $this->test($case, ['affected' => 30, 'unaffected' => 40, 'unit' => 'kg'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['unit' => 'must be N, as before']);
        $this->test($case, [
            'test' => 'range_of_motion',
            'unit' => '°',
            'affected' => 120,
            'unaffected' => 135,
            'on' => '2026-03-01',
        ])->assertStatus(201);

        // What was measured before the visit began is no part of it.
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addHour());
        $this->end($case, [])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['note' => 'write what was done']);
        $this->end($case, ['began' => '2026-04-13T08:00:00+01:00', 'note' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['began' => 'last 12 hours']);
        $this->end($case, ['trials' => [['exercise' => 'nothing', 'reps' => 5, 'pain' => 1]]])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['trials.0.exercise' => 'of the library']);
        $this->end($case, ['id' => 'x', 'note' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['id' => 'UUID']);
        self::assertSame(0, $case->decisions()->where('kind', 'visit')->count());
    }

    public function testWhatTheGateNeedsAnewIsShown(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $case->tests()->delete();
        $due = function () use ($case): mixed {
            $page = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/visit");

            return $page->json(
                'measures.' .
                    array_search('knee_extension_strength', (array) $page->json('measures.*.key'), true) .
                    '.due',
            );
        };
        $stage = $case->plan()->stage('slow');
        self::assertSame('slow', $case->snapshot?->stage);
        self::assertNotSame(
            [],
            array_filter(
                $stage->stage->gate ?? [],
                static fn(object $criterion): bool => $criterion instanceof OverTest,
            ),
            'its gate looks at a test',
        );
        self::assertSame('never measured; the gate needs one within 28 days', $due());
        $this->test($case, ['affected' => 300, 'unaffected' => 400, 'on' => '2026-03-17'])->assertStatus(201);
        self::assertSame('last 28 days ago; the gate needs one within 28', $due());
        $this->test($case, ['affected' => 300, 'unaffected' => 400, 'on' => '2026-03-18'])->assertStatus(201);
        self::assertNull($due());
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function end(CareCase $case, array $body): TestResponse
    {
        return $this->ask(
            $this->practitioner(),
            'POST',
            "/api/cases/$case->id/visits",
            $body + ['id' => (string) Str::uuid7(), 'began' => CarbonImmutable::now()->toIso8601String()],
        );
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function score(CareCase $case, int $score, string $on = '2026-04-14'): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/scores", [
            'score' => $score,
            'on' => $on,
        ]);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function test(CareCase $case, array $body): TestResponse
    {
        return $this->ask(
            $this->practitioner(),
            'POST',
            "/api/cases/$case->id/tests",
            $body + ['test' => 'knee_extension_strength', 'on' => '2026-04-14', 'unit' => 'N'],
        );
    }
}
