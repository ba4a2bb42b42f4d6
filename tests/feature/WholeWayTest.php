<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Decision;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** From intake to a recorded decision, one use case after the other. */
final class WholeWayTest extends TestCase
{
    public function testASessionCountsOnceWhateverHowOftenItIsSent(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $today = $this->ask($juno, 'GET', '/api/today');
        $log = $this->log(self::dueOn($today), $today->json('cases.0.plan_version'));
        $id = (string) Str::uuid7();

        $this->ask($juno, 'PUT', "/api/today/sessions/$id", $log)
            ->assertStatus(201)
            ->assertJson(['new' => true]);
        $this->ask($juno, 'PUT', "/api/today/sessions/$id", ['notes' => 'again'] + $log)
            ->assertStatus(200)
            ->assertJson(['new' => false]);
        self::assertSame(
            [1, null],
            [TrainingSession::query()->whereKey($id)->count(), TrainingSession::query()->findOrFail($id)->notes],
        );

        self::assertTrue(
            self::dueOn($this->ask($juno, 'GET', '/api/today')->assertJsonPath('cases.0.settling.0.session', $id))[
                'done'
            ],
        );
        $this->ask($juno, 'PATCH', "/api/today/sessions/$id", ['settled_min' => 30])->assertOk();
        $this->ask($juno, 'PATCH', "/api/today/sessions/$id", ['settled_min' => -1])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['settled_min']);
        $this->ask($juno, 'GET', '/api/today')->assertJsonPath('cases.0.settling', []);
        self::assertSame(30.0, TrainingSession::query()->findOrFail($id)->settled_min);

        $hooks = $this->ask($this->practitioner(), 'GET', '/api/cases/' . $this->caseOf('Juno Tamsin')->id)->json(
            'hooks',
        );
        self::assertIsArray($hooks);
        $last = end($hooks);
        self::assertIsArray($last);
        self::assertSame([$id, 'pending'], [$last['session'], $last['verdict']]);
    }

    public function testBadAnswersAreShownAtTheFieldAndNothingIsStored(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $today = $this->ask($juno, 'GET', '/api/today');
        $log = $this->log(self::dueOn($today), $today->json('cases.0.plan_version'));
        $counts = static fn(): array => [TrainingSession::query()->count(), CheckIn::query()->count()];
        $before = $counts();
        $session = fn(array $spoilt): \Illuminate\Testing\TestResponse => $this->ask(
            $juno,
            'PUT',
            '/api/today/sessions/' . Str::uuid7(),
            array_replace_recursive($log, $spoilt),
        )->assertStatus(422);
        $morning = fn(array $body): \Illuminate\Testing\TestResponse => $this->ask(
            $juno,
            'PUT',
            '/api/today/check-ins/' . Str::uuid7(),
            $body,
        )->assertStatus(422);

        $session(['entries' => [['pain' => 11]]])->assertJsonValidationErrors([
            'entries.0.pain' => 'Pain must be from 0 to 10.',
        ]);
        $session(['ended_at' => '2026-04-14T07:00:00+01:00'])->assertJsonValidationErrors([
            'ended_at' => 'The end must not be before started_at.',
        ]);
        $session(['ended_at' => '2026-04-14T09:00:00+01:00'])->assertJsonValidationErrors(['ended_at']);
        $session(['entries' => [['prescription' => 'curl']]])->assertJsonValidationErrors(['entries.0.prescription']);
        $session(['plan_version' => 99])->assertJsonValidationErrors(['plan_version']);
        $morning(['at' => '2026-04-15T07:00:00+01:00', 'provocation' => 2])->assertJsonValidationErrors([
            'at' => 'The date must not be tomorrow or later; answer on the morning itself.',
        ]);
        $morning(['at' => '2026-04-12T07:00:00+01:00', 'provocation' => 2])->assertJsonValidationErrors(['at']);
        $morning(['at' => '2026-04-14T07:00:00+01:00', 'provocation' => 11])->assertJsonValidationErrors([
            'provocation' => 'The test score must be from 0 to 10.',
        ]);
        $morning(['at' => '2026-04-14T07:00:00+01:00'])->assertJsonValidationErrors(['provocation']);
        $this->ask($juno, 'PUT', '/api/today/check-ins/none', [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
        ])->assertStatus(404);

        self::assertSame($before, $counts());
    }

    public function testAnAnswerShowsOnTheRoundAtOnce(): void
    {
        $standing = fn(): array => $this->line('Juno Tamsin');
        self::assertFalse($standing()['stopped']);
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
            'at' => '2026-04-14T07:10:00+01:00',
            'provocation' => 3,
            'signs' => ['giving_way'],
        ])->assertStatus(201);

        self::assertSame(
            ['stop_review', 'stop', true],
            [$standing()['group'], $standing()['action'], $standing()['stopped']],
        );
        $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->assertJsonPath('cases.0.stopped', true);
    }

    public function testAStopIsClearedWithAReasonAndNothingGrowsForAWeek(): void
    {
        $case = $this->caseOf('Fenn Harrow');
        $own = $this->practitioner();
        $found = $this->ask($own, 'GET', "/api/cases/$case->id");
        $clears = $found->json('stops.0.id');
        $decide = fn(array $body): \Illuminate\Testing\TestResponse => $this->ask(
            $own,
            'POST',
            "/api/cases/$case->id/decisions",
            ['kind' => 'clear_stop', 'revision' => $found->json('revision')] + $body,
        );

        $decide(['clears' => $clears])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['reason']);
        $decide(['clears' => 'another', 'reason' => 'seen'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['clears']);
        $decide(['clears' => $clears, 'reason' => 'Seen today: a knock, no effusion'])->assertStatus(201);

        self::assertFalse($this->line('Fenn Harrow')['stopped']);
        self::assertNotContains($this->line('Fenn Harrow')['action'], [
            'progress',
            'advance',
            'add_load',
            'finish',
            'stop',
        ]);
    }

    public function testAnAcceptedProposalIsInForceAndStandsInTheRecord(): void
    {
        $case = $this->readyCase();
        $own = $this->practitioner();
        $found = $this->ask($own, 'GET', "/api/cases/$case->id");
        $proposals = $found->json('proposals');
        self::assertIsArray($proposals);
        $preferred = array_values(
            array_filter(
                $proposals,
                static fn(mixed $proposal): bool => is_array($proposal) && $proposal['preferred'] === true,
            ),
        )[0];
        self::assertIsArray($preferred);

        $this->ask($own, 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'accept',
            'revision' => $found->json('revision'),
        ])->assertStatus(201);
        // A second press of the same button finds that the case has moved on.
        $this->ask($own, 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'accept',
            'revision' => $found->json('revision'),
        ])->assertStatus(409);

        $after = $this->ask($own, 'GET', "/api/cases/$case->id");
        $key = self::text($preferred['prescription']);
        $title = self::text(array_column((array) $after->json('prescriptions'), 'title', 'key')[$key]);
        $words = self::text(array_column((array) $after->json('prescriptions'), 'words', 'key')[$key]);
        // A proposal that changes the exercise names the new one before its dose.
        self::assertContains($preferred['after'], [$words, "$title, $words"]);
        $decision = Decision::query()->where('case_id', $case->id)->orderByDesc('at')->firstOrFail();
        self::assertSame(
            ['accept', $found->json('standing.because')],
            [$decision->kind, $decision->evidence['because']],
        );
        self::assertNotEmpty($decision->evidence['sessions']);
        self::assertSame('repeat', $this->line($case->athlete->name)['action']);
        $this->expectExceptionMessageMatches('/permission denied for table decisions/');
        DB::table('decisions')
            ->where('id', $decision->id)
            ->update(['words' => 'otherwise']);
    }

    public function testAStageIsEnteredByHandAndTheCalendarFollows(): void
    {
        $case = $this->caseOf('Piet Olander');
        $own = $this->practitioner();
        $decide = fn(array $body): \Illuminate\Testing\TestResponse => $this->ask(
            $own,
            'POST',
            "/api/cases/$case->id/decisions",
            $body + ['revision' => $case->refresh()->revision],
        );

        $decide(['kind' => 'stage', 'stage' => 'none', 'reason' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['stage']);
        $decide(['kind' => 'stage', 'stage' => 'slow', 'reason' => 'Tolerates more than holds'])->assertStatus(201);
        $decide(['kind' => 'stage', 'stage' => 'springs', 'reason' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['stage']);

        // The athlete gets a message about the stage; the reason for the record is not for the phone.
        $this->ask($this->athlete('Piet Olander'), 'GET', '/api/today')
            ->assertJsonPath(
                'cases.0.news.words',
                'New stage: Slow strength; Leg-extension hold at 60°: 35 kg, as lifted',
            )
            ->assertJsonPath('cases.0.news.why', null);
        $slots = $case->plannedSessions()->where('on', '>=', '2026-04-14')->pluck('slot')->unique()->values()->all();
        self::assertEqualsCanonicalizing(['slow', 'hold', 'support'], $slots);
        $decide(['kind' => 'keep', 'reason' => 'Let it settle'])->assertStatus(201);
        $decide(['kind' => 'sign_off'])->assertStatus(201);
        self::assertSame('slow', $case->signOffs()->firstOrFail()->stage);
    }

    public function testTimeAloneMovesACase(): void
    {
        self::assertNotSame('silent', $this->line('Juno Tamsin')['group']);
        CarbonImmutable::setTestNow('2026-04-20T08:30:00+01:00');
        Artisan::call('rung:standings');
        self::assertSame('silent', $this->line('Juno Tamsin')['group']);
    }

    /** @return array<string, mixed> how a case stands on the Round */
    private function line(string $name): array
    {
        foreach ((array) $this->ask($this->practitioner(), 'GET', '/api/round')->json('cases') as $line) {
            if (is_array($line) && is_array($line['athlete']) && $line['athlete']['name'] === $name) {
                self::assertIsArray($line['standing']);

                /** @var array<string, mixed> */
                return $line['standing'];
            }
        }
        self::fail("$name is not on the Round");
    }

    private function readyCase(): CareCase
    {
        return CareCase::query()
            ->whereHas('practice', static fn($query) => $query->where('name', 'Ropewalk Circus School'))
            ->where('attention_group', 'ready_progress')
            ->orderBy('id')
            ->firstOrFail();
    }

    /** @return array<string, mixed> a session as the phone sends it, done as asked */
    private function log(mixed $due, mixed $version): array
    {
        self::assertIsArray($due);
        self::assertIsArray($due['exercises']);

        return [
            'planned' => $due['planned'],
            'plan_version' => $version,
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:30:00+01:00',
            'ended_at' => '2026-04-14T08:10:00+01:00',
            'entries' => array_map(static function (mixed $exercise): array {
                self::assertIsArray($exercise);

                return [
                    'prescription' => $exercise['prescription'],
                    'pain' => 1,
                    'sets' => [['reps' => 8, 'load_kg' => 20]],
                ];
            }, $due['exercises']),
        ];
    }

    public function testAPageThatAsksAgainIsShownOnlyWhatIsNew(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        foreach ([[$own, "/api/cases/$case->id"], [$this->athlete('Juno Tamsin'), '/api/today']] as [$who, $path]) {
            $first = $this->ask($who, 'GET', $path)->assertOk();
            $version = self::text($first->headers->get('ETag'));
            $again = fn(): int => $this->withHeader('If-None-Match', $version)
                ->ask($who, 'GET', $path)
                ->getStatusCode();
            self::assertSame(304, $again());
            $this->flushHeaders();
            // Whatever is written, by whomever, is another version; so is the next time of day.
            $this->ask($this->athlete('Juno Tamsin'), 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
                'at' => '2026-04-14T07:50:00+01:00',
                'provocation' => 2,
            ])->assertStatus(201);
            self::assertSame(200, $again());
            $this->flushHeaders();
        }
        $version = self::text($this->ask($own, 'GET', "/api/cases/$case->id")->headers->get('ETag'));
        CarbonImmutable::setTestNow('2026-04-14T08:45:00+01:00');
        self::assertSame(
            200,
            $this->withHeader('If-None-Match', $version)
                ->ask($own, 'GET', "/api/cases/$case->id")
                ->getStatusCode(),
        );
        // Of another person it is never taken for known.
        self::assertSame(
            403,
            $this->ask($this->athlete('Juno Tamsin'), 'GET', "/api/cases/$case->id")->getStatusCode(),
        );
    }
}
