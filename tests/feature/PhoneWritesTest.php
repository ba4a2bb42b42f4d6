<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Account;
use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Correction;
use App\Models\Message;
use App\Models\TrainingSession;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** What athletes put right, say of a session that was missed, and write; and how it reaches whoever treats them. */
final class PhoneWritesTest extends TestCase
{
    use AtTheDesk;

    public function testAnAnswerIsPutRightUntilSomebodyHasDecidedOnItAndTheOlderStays(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $morning = $this->answered($juno, 4);
        $put = (string) Str::uuid7();
        $this->correct(
            $juno,
            ['what' => 'morning', 'entry' => $morning, 'withdrawn' => false, 'provocation' => 1],
            $put,
        )->assertStatus(201);
        // Sent twice, it changes once.
        $this->correct(
            $juno,
            ['what' => 'morning', 'entry' => $morning, 'withdrawn' => false, 'provocation' => 9],
            $put,
        )
            ->assertOk()
            ->assertJson(['new' => false]);
        self::assertSame(1, CheckIn::query()->findOrFail($morning)->provocation);
        $kept = Correction::query()->findOrFail($put);
        self::assertSame([4, $juno->id, false], [$kept->before['provocation'], $kept->user_id, $kept->withdrawn]);
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->assertJsonPath(
            'corrected.0.words',
            'Morning of Tue 14 Apr: the test was 4 of 10',
        );
        try {
            DB::transaction(static fn() => $kept->update(['withdrawn' => true]));
            self::fail('a correction can be changed');
        } catch (QueryException $refused) {
            self::assertStringContainsString('permission denied for table corrections', $refused->getMessage());
        }

        // Decided on: the athlete can no longer change it, and reads why.
        CarbonImmutable::setTestNow('2026-04-14T09:00:00+01:00');
        $this->decide($case, ['kind' => 'keep', 'reason' => 'As agreed'])->assertStatus(201);
        $this->correct($juno, ['what' => 'morning', 'entry' => $morning, 'withdrawn' => false, 'provocation' => 2])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['entry' => 'was decided on already; tell your practitioner instead']);
        foreach ((array) $this->ask($juno, 'GET', '/api/today')->json('cases.0.entered.mornings.*.locked') as $locked) {
            self::assertSame('was decided on already; tell your practitioner instead', $locked);
        }
    }

    public function testAWithdrawnAnswerCountsNoMoreAndIsAskedForAgain(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $morning = $this->answered($juno, 3);
        self::assertContains(
            '2026-04-14',
            (array) $this->ask($juno, 'GET', '/api/today')->json('cases.0.morning.answered.*.on'),
        );
        $this->correct($juno, ['what' => 'morning', 'entry' => $morning, 'withdrawn' => true])->assertStatus(201);
        self::assertNotContains(
            '2026-04-14',
            (array) $this->ask($juno, 'GET', '/api/today')->json('cases.0.morning.answered.*.on'),
        );
        self::assertTrue(CheckIn::query()->findOrFail($morning)->superseded, 'kept');
        $this->correct($juno, ['what' => 'morning', 'entry' => $morning, 'withdrawn' => true])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('entry');
    }

    public function testTheSessionOfTodayIsPutRightAndWithdrawn(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        [$id, $due] = $this->trained($juno, 5);
        self::assertTrue(self::dueOn($this->ask($juno, 'GET', '/api/today'))['done']);
        $entered = $this->ask($juno, 'GET', '/api/today')->json('cases.0.entered.sessions');
        $session = collect((array) $entered)->firstWhere('id', $id);
        self::assertSame([5, null], [data_get($session, 'entries.0.pain'), data_get($session, 'locked')]);
        $key = self::text(data_get($due, 'exercises.0.prescription'));
        $this->correct($juno, [
            'what' => 'session',
            'entry' => $id,
            'withdrawn' => false,
            'pains' => [['prescription' => $key, 'pain' => 1]],
            'settled_min' => 30,
        ])->assertStatus(201);
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/sessions/$id")
            ->assertJsonPath('entries.0.pain', 1)
            ->assertJsonPath('entries.0.done.0', '8');
        self::assertSame(30.0, TrainingSession::query()->findOrFail($id)->settled_min);
        $this->correct($juno, [
            'what' => 'session',
            'entry' => $id,
            'withdrawn' => false,
            'pains' => [['prescription' => 'nothing', 'pain' => 1]],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('pains.0.prescription');
        $this->correct($juno, ['what' => 'session', 'entry' => $id, 'withdrawn' => false, 'minutes' => 2000])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('minutes');

        $this->correct($juno, ['what' => 'session', 'entry' => $id, 'withdrawn' => true])->assertStatus(201);
        self::assertFalse(self::dueOn($this->ask($juno, 'GET', '/api/today'))['done'], 'it is due again');
        $words = self::texts(
            $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('corrected.*.words'),
        );
        self::assertStringStartsWith('Session of Tue 14 Apr: withdrawn; pain was 1', $words[0]);
    }

    public function testAStopIsNeverTakenBackByTheAthlete(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $sign = (string) Str::uuid7();
        $this->ask($juno, 'PUT', "/api/today/check-ins/$sign", [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
            'signs' => ['swelling'],
        ])->assertStatus(201);
        foreach ([true, false] as $withdrawn) {
            $this->correct($juno, [
                'what' => 'morning',
                'entry' => $sign,
                'withdrawn' => $withdrawn,
                'provocation' => 1,
            ])
                ->assertStatus(422)
                ->assertJsonValidationErrors(['entry' => 'only your practitioner can take it back']);
        }
        [$id] = $this->trained($juno, 8);
        $this->correct($juno, ['what' => 'session', 'entry' => $id, 'withdrawn' => true])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['entry' => 'reported a stop']);
        self::assertTrue($case->refresh()->snapshot?->isStopped());
        // What is older than yesterday belongs to the record.
        $old = $case->checkIns()->where('local_on', '2026-04-12')->firstOrFail();
        $this->correct($juno, ['what' => 'morning', 'entry' => $old->id, 'withdrawn' => true])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['entry' => 'older than yesterday']);
        // Nobody else's either.
        $other = $this->caseOf('Piet Olander')->checkIns()->orderByDesc('at')->get()->firstOrFail();
        $this->correct($juno, ['what' => 'morning', 'entry' => $other->id, 'withdrawn' => true])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('entry');
    }

    public function testAMissedSessionSaysWhy(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $today = $this->ask($juno, 'GET', '/api/today');
        $undone = collect((array) $today->json('cases.0.undone'))->firstWhere('on', '2026-04-14');
        $id = self::text(data_get($undone, 'planned'));
        $tell = fn(string $planned, string $why): TestResponse => $this->ask(
            $juno,
            'PUT',
            "/api/today/planned/$planned",
            ['why' => $why],
        );
        $tell($id, 'The truck broke down')->assertOk();
        self::assertSame(
            'The truck broke down',
            data_get(
                collect((array) $this->ask($juno, 'GET', '/api/today')->json('cases.0.undone'))->firstWhere(
                    'planned',
                    $id,
                ),
                'why',
            ),
        );
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")
            ->assertJsonPath('missed.0.why', 'The truck broke down')
            ->assertJsonPath('missed.0.on', '2026-04-14');
        $ahead = $case->plannedSessions()->where('on', '>', '2026-04-14')->firstOrFail();
        $tell($ahead->id, 'Going away')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['why' => 'from the day of the session on']);
        $this->trained($juno, 1);
        $tell($id, 'Again')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['why' => 'that session was done']);
        $tell($id, '')->assertOk();
        self::assertSame([], $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('missed'));
        $tell($this->caseOf('Piet Olander')->plannedSessions()->firstOrFail()->id, 'x')->assertNotFound();
    }

    public function testAFlareBetweenSessionsReachesTheRoundAndIsAnsweredOnThePhone(): void
    {
        $case = $this->caseOf('Ines Calloway');
        $ines = $this->athlete('Ines Calloway');
        $own = $this->practitioner();
        self::assertSame([], $this->ask($own, 'GET', '/api/round')->json('asked'));
        $write = fn(array $body, ?string $id = null): TestResponse => $this->ask(
            $ines,
            'PUT',
            '/api/today/messages/' . ($id ?? Str::uuid7()),
            $body,
        );
        $id = (string) Str::uuid7();
        $write(['kind' => 'flare', 'words' => 'Since the stairs yesterday', 'pain' => 6], $id)->assertStatus(201);
        $write(['kind' => 'flare', 'words' => 'Since the stairs yesterday', 'pain' => 6], $id)->assertOk();
        self::assertSame(1, Message::query()->where('case_id', $case->id)->where('kind', 'flare')->count());
        $write(['kind' => 'question', 'words' => '  '])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('words');
        $write(['kind' => 'answer', 'words' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('kind');
        $write(['kind' => 'flare', 'words' => 'x', 'pain' => 11])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('pain');

        $this->ask($own, 'GET', '/api/round')
            ->assertJsonPath('asked.0.case', $case->id)
            ->assertJsonPath('asked.0.athlete', 'Ines Calloway')
            ->assertJsonPath('asked.0.pain', 6);
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('messages.0.own', true)
            ->assertJsonPath('messages.0.seen', false);
        // Another practice does not see it.
        self::assertSame([], $this->ask($this->practitioner('Another Practice'), 'GET', '/api/round')->json('asked'));
        \Illuminate\Support\Facades\Auth::forgetGuards();

        CarbonImmutable::setTestNow('2026-04-14T09:00:00+01:00');
        $this->ask($own, 'POST', "/api/cases/$case->id/messages", [
            'words' => 'Holds only today; call at noon.',
        ])->assertStatus(201);
        self::assertSame([], $this->ask($own, 'GET', '/api/round')->json('asked'));
        $this->ask($ines, 'GET', '/api/today')
            ->assertJsonPath('cases.0.messages.0.words', 'Holds only today; call at noon.')
            ->assertJsonPath('cases.0.messages.0.own', false)
            ->assertJsonPath('cases.0.messages.1.seen', true);

        // Seen without an answer leaves the Round as well.
        $write(['kind' => 'question', 'words' => 'May I swim?'])->assertStatus(201);
        self::assertCount(1, (array) $this->ask($own, 'GET', '/api/round')->json('asked'));
        $this->ask($own, 'POST', "/api/cases/$case->id/messages", ['words' => ''])->assertStatus(201);
        self::assertSame([], $this->ask($own, 'GET', '/api/round')->json('asked'));
        self::assertSame(1, Message::query()->where('case_id', $case->id)->where('kind', 'answer')->count());
    }

    public function testAFlareAtTheStopLevelStopsUntilSomebodyHasDealtWithIt(): void
    {
        $case = $this->caseOf('Ines Calloway');
        $ines = $this->athlete('Ines Calloway');
        $write = fn(int $pain): TestResponse => $this->ask($ines, 'PUT', '/api/today/messages/' . Str::uuid7(), [
            'kind' => 'flare',
            'words' => 'Since last night',
            'pain' => $pain,
        ]);
        $write(7)->assertStatus(201);
        $this->ask($ines, 'GET', '/api/today')->assertJsonPath('cases.0.stopped', false);
        $write(8)->assertStatus(201);
        $this->ask($ines, 'GET', '/api/today')
            ->assertJsonPath('cases.0.stopped', true)
            ->assertJsonPath('cases.0.sessions', [])
            ->assertJsonPath('cases.0.days.1.why', 'No loading until you have been seen.');
        \Illuminate\Support\Facades\Auth::forgetGuards();
        $own = $this->practitioner();
        self::assertSame([false, true], $this->ask($own, 'GET', '/api/round')->json('asked.*.stops'));
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('severe_flare', true)
            ->assertJsonPath('coming', []);
        $this->ask($own, 'POST', "/api/cases/$case->id/messages", [
            'words' => 'Seen this morning: holds only.',
        ])->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('severe_flare', false);
        \Illuminate\Support\Facades\Auth::forgetGuards();
        self::assertNotEmpty(
            $this->ask($ines, 'GET', '/api/today')->assertJsonPath('cases.0.stopped', false)->json('cases.0.sessions'),
        );
    }

    public function testOneOfSeveralSessionsADaySaysWhichAndFromWhen(): void
    {
        $own = $this->practitioner();
        $id = self::text(
            $this->ask(
                $own,
                'POST',
                '/api/cases',
                OpeningTest::opening(['programme' => 'knee_provoked_eccentric', 'severity' => null]),
            )
                ->assertStatus(201)
                ->json('id'),
        );
        $athlete = User::query()
            ->where('account_id', Account::findByEmail('odile@ropewalk.example')?->id)
            ->firstOrFail();
        $today = $this->ask($athlete, 'GET', '/api/today');
        self::assertSame(
            [
                ['number' => 1, 'of' => 2, 'least_hours' => 6, 'from' => null],
                ['number' => 2, 'of' => 2, 'least_hours' => 6, 'from' => null],
            ],
            array_slice((array) $today->json('cases.0.sessions.*.part'), 0, 2),
        );
        self::assertSame(
            ['lift' => 'Forward', 'lower' => 'Rock back'],
            $today->json('cases.0.sessions.0.exercises.0.says'),
        );
        self::assertTrue($today->json('cases.0.sessions.0.exercises.0.pain_by_set'), 'pain leads this dose');
        CarbonImmutable::setTestNow('2026-04-14T09:00:00+01:00');
        $this->ask($athlete, 'PUT', '/api/today/sessions/' . Str::uuid7() . "?case=$id", [
            'planned' => $today->json('cases.0.sessions.0.planned'),
            'plan_version' => 1,
            'kind' => 'loading',
            'started_at' => '2026-04-14T08:35:00+01:00',
            'ended_at' => '2026-04-14T08:55:00+01:00',
            'entries' => [
                [
                    'prescription' => $today->json('cases.0.sessions.0.exercises.0.prescription'),
                    'pain' => 5,
                    'sets' => [['reps' => 15]],
                ],
            ],
        ])->assertStatus(201);
        $this->ask($athlete, 'GET', '/api/today')
            ->assertJsonPath('cases.0.sessions.1.part.from', '14:55')
            ->assertJsonPath('cases.0.sessions.1.done', false);
    }

    public function testPracticeBesideThePlanCounts(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $id = (string) Str::uuid7();
        $this->ask($juno, 'PUT', "/api/today/sessions/$id", [
            'planned' => null,
            'plan_version' => $this->ask($juno, 'GET', '/api/today')->json('cases.0.plan_version'),
            'kind' => 'sport',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T08:00:00+01:00',
            'minutes' => 45,
            'effort' => 6,
            'participation' => 'partial',
            'entries' => [['prescription' => null, 'pain' => 2, 'sets' => []]],
        ])->assertStatus(201);
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/sessions/$id")
            ->assertJsonPath('minutes', 45)
            ->assertJsonPath('participation', 'partial');
    }

    private function answered(User $athlete, int $score): string
    {
        $id = (string) Str::uuid7();
        $this->ask($athlete, 'PUT', "/api/today/check-ins/$id", [
            'at' => '2026-04-14T08:29:00+01:00',
            'provocation' => $score,
        ])->assertStatus(201);

        return $id;
    }

    /** @return array{string, mixed} the id of the session, and what was due */
    private function trained(User $athlete, int $pain): array
    {
        $today = $this->ask($athlete, 'GET', '/api/today');
        $due = self::dueOn($today) ?: [
            'planned' => null,
            'exercises' => [
                [
                    'prescription' => CareCase::query()
                        ->where('athlete_id', $athlete->athlete_id)
                        ->firstOrFail()
                        ->plan()
                        ->prescriptions()[0]->key,
                ],
            ],
        ];
        $id = (string) Str::uuid7();
        $this->ask($athlete, 'PUT', "/api/today/sessions/$id", [
            'planned' => data_get($due, 'planned'),
            'plan_version' => $today->json('cases.0.plan_version'),
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'entries' => array_map(
                static fn(mixed $value): array => [
                    'prescription' => data_get($value, 'prescription'),
                    'pain' => $pain,
                    'sets' => [['reps' => 8, 'pain' => $pain]],
                ],
                array_values((array) data_get($due, 'exercises')),
            ),
        ])->assertStatus(201);

        return [$id, $due];
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function correct(User $athlete, array $body, ?string $id = null): TestResponse
    {
        return $this->ask($athlete, 'PUT', '/api/today/corrections/' . ($id ?? Str::uuid7()), $body);
    }
}
