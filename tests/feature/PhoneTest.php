<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CheckIn;
use App\Models\PlannedSession;
use App\Models\TrainingSession;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** The athlete's side: getting in, what a phone sends late, twice, from two phones, with a wrong clock, from far away. */
final class PhoneTest extends TestCase
{
    public function testAnAthleteGetsInByAnInvitationAndIsLockedOutAgain(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $first = $this->token($this->ask($own, 'POST', "/api/cases/$case->id/invitation")->assertStatus(201));
        $token = $this->token($this->ask($own, 'POST', "/api/cases/$case->id/invitation")->assertStatus(201));
        self::assertNotNull($this->ask($own, 'GET', "/api/cases/$case->id/invitation")->json('open_until'));
        self::assertFalse(DB::table('invitations')->where('token_hash', $token)->exists(), 'only the hash is kept');
        \Illuminate\Support\Facades\Auth::forgetGuards();

        $join = fn(string $token, string $password): TestResponse => $this->ask(null, 'POST', '/api/join', [
            'token' => $token,
            'password' => $password,
        ]);
        $join($first, '123456')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['token' => 'was used, withdrawn or has run out']);
        $join($token, '12345')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password' => 'A PIN needs at least 6 digits']);
        $join($token, 'sevenle')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password']);
        $join($token, '482915')
            ->assertStatus(201)
            ->assertJson(['email' => 'juno.tamsin@ropewalk.example'])
            ->assertCookie(\Illuminate\Support\Facades\Auth::getRecallerName());
        $join($token, '482915')->assertStatus(422);

        // Lost phone: every sign-in ends; the PIN still holds. Withdrawn: the PIN goes too.
        $juno = User::query()
            ->withoutGlobalScopes()
            ->whereHas('account', static fn($account) => $account->where('email', 'juno.tamsin@ropewalk.example'))
            ->firstOrFail();
        self::assertTrue(Hash::check('482915', $juno->getAuthPassword()));
        $remembered = $juno->getRememberToken();
        $this->ask($juno, 'DELETE', '/api/sessions')->assertOk();
        self::assertNotSame($remembered, $juno->refresh()->getRememberToken());
        self::assertTrue(Hash::check('482915', $juno->getAuthPassword()));
        $this->ask($own, 'DELETE', "/api/cases/$case->id/invitation")->assertOk();
        self::assertFalse(Hash::check('482915', $juno->refresh()->getAuthPassword()));
    }

    public function testAnInvitationRunsOut(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $token = $this->token($this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/invitation"));
        \Illuminate\Support\Facades\Auth::forgetGuards();
        CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addDays(8));
        $this->ask(null, 'POST', '/api/join', ['token' => $token, 'password' => '482915'])->assertStatus(422);
    }

    public function testThePhoneHoldsAWeekAndSaysWhy(): void
    {
        $page = $this->ask($this->athlete('Tobias Fenwick'), 'GET', '/api/today')->assertOk();
        self::assertCount(8, (array) $page->json('cases.0.days'));
        // From the day before: west of the practice it may still be that day.
        self::assertSame(['2026-04-13', '2026-04-14'], array_slice((array) $page->json('cases.0.days.*.on'), 0, 2));
        $why = implode(' ', array_map(self::text(...), (array) $page->json('cases.0.days.*.why')));
        self::assertMatchesRegularExpression('/Holds only, so that \w+day’s (jumps|slow strength) can settle\./', $why);
        self::assertGreaterThan(4, count((array) $page->json('cases.0.sessions')));
        self::assertNotEmpty($page->json('cases.0.missing'));
        self::assertMatchesRegularExpression('/^\d\d:\d\d$/', self::text($page->json('cases.0.morning.usual')));
        $gained = [];
        foreach (['Ines Calloway', 'Basil Thorne', 'Greta Osei-Vane', 'Tobias Fenwick', 'Dario Pell'] as $name) {
            array_push(
                $gained,
                ...(array) $this->ask($this->athlete($name), 'GET', '/api/today')->json('cases.0.gained'),
            );
        }
        self::assertNotSame([], $gained);
        foreach ($gained as $words) {
            self::assertMatchesRegularExpression(
                '/: you now do \d+ × .* gave \d+ on \w{3} \d+ \w{3}\.$/',
                self::text($words),
            );
        }
    }

    public function testWhatWaitedOnAPhoneIsTakenThoughThePlanChangedMeanwhile(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $edda = $this->athlete('Edda Moorgate');
        $today = $this->ask($edda, 'GET', '/api/today');
        $due = self::dueOn($today);
        $log = $this->log(
            $due,
            $today->json('cases.0.plan_version'),
            '2026-04-14T07:00:00+01:00',
            '2026-04-14T07:40:00+01:00',
        );

        // Meanwhile the practitioner moves the athlete on; the calendar and the stage are others.
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'stage',
            'stage' => 'springs',
            'reason' => 'Ready',
            'revision' => $case->refresh()->revision,
        ])->assertStatus(201);
        CarbonImmutable::setTestNow('2026-04-16T20:00:00+01:00');
        $id = (string) Str::uuid7();
        $this->ask($edda, 'PUT', "/api/today/sessions/$id", $log)->assertStatus(201);
        $stored = TrainingSession::query()->findOrFail($id);
        self::assertSame(
            [$due['stage'], $today->json('cases.0.plan_version'), $due['planned']],
            [$stored->stage, $stored->plan_version, $stored->planned_id],
        );
        self::assertFalse(PlannedSession::query()->whereKey($due['planned'])->firstOrFail()->withdrawn);
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/sessions/$id")
            ->assertOk()
            ->assertJsonPath('plan_version', $today->json('cases.0.plan_version'));
    }

    public function testTheSameSessionFromTwoPhonesCountsOnce(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $today = $this->ask($juno, 'GET', '/api/today');
        $due = self::dueOn($today);
        $version = $today->json('cases.0.plan_version');
        $put = function (array $log) use ($juno): string {
            $id = (string) Str::uuid7();
            $this->ask($juno, 'PUT', "/api/today/sessions/$id", $log)->assertStatus(201);

            return $id;
        };
        $whole = $this->log($due, $version, '2026-04-14T07:00:00+01:00', '2026-04-14T07:40:00+01:00', 3);
        $part = $this->log($due, $version, '2026-04-14T06:59:00+01:00', '2026-04-14T07:10:00+01:00', 1);
        $before = $case->trainingSessions()->count();
        [$first, $second] = [$put(['signs' => ['swelling']] + $part), $put($whole)];
        self::assertSame($before + 1, $case->trainingSessions()->count());
        self::assertTrue(TrainingSession::query()->findOrFail($first)->superseded, 'kept, and set aside');
        self::assertSame(
            ['swelling'],
            TrainingSession::query()->findOrFail($second)->signs,
            'a stop sign is never set aside',
        );

        // Another time of day is a session more, not the planned one again.
        $third = $put(
            array_replace($this->log($due, $version, '2026-04-14T08:00:00+01:00', '2026-04-14T08:20:00+01:00', 1)),
        );
        self::assertNull(TrainingSession::query()->findOrFail($third)->planned_id);
        self::assertSame($before + 2, $case->trainingSessions()->count());
    }

    public function testAMorningCountsOnceHoweverLateAndFromWhereverItComes(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $put = fn(array $body, array $headers = []): TestResponse => $this->withHeaders($headers)->ask(
            $juno,
            'PUT',
            '/api/today/check-ins/' . Str::uuid7(),
            $body,
        );
        $of = static fn(string $on): array => $case
            ->checkIns()
            ->where('local_on', $on)
            ->get()
            ->map(static fn(CheckIn $checkIn): array => [$checkIn->provocation, $checkIn->late, $checkIn->signs])
            ->all();

        // Answered on the day without reception, sent three days later.
        CarbonImmutable::setTestNow('2026-04-17T12:00:00+01:00');
        $put([
            'at' => '2026-04-14T07:00:00+01:00',
            'made_at' => '2026-04-14T07:01:00+01:00',
            'provocation' => 2,
        ])->assertStatus(201);
        self::assertSame([[2, false, []]], $of('2026-04-14'));
        // Filled in on the next morning, marked as late; the day before that, no more.
        $put([
            'at' => '2026-04-16T07:00:00+01:00',
            'made_at' => '2026-04-17T07:00:00+01:00',
            'provocation' => 3,
        ])->assertStatus(201);
        self::assertSame([[3, true, []]], $of('2026-04-16'));
        $put(['at' => '2026-04-15T07:00:00+01:00', 'made_at' => '2026-04-17T07:00:00+01:00', 'provocation' => 3])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['at']);
        // Corrected from another phone: the later answer counts, signs of both stay.
        $put(['at' => '2026-04-17T07:00:00+01:00', 'provocation' => 3, 'signs' => ['night_ache']])->assertStatus(201);
        $put(['at' => '2026-04-17T07:05:00+01:00', 'provocation' => 1])->assertStatus(201);
        self::assertSame([[1, false, ['night_ache']]], $of('2026-04-17'));
        self::assertSame(
            2,
            CheckIn::query()->where('case_id', $case->id)->where('local_on', '2026-04-17')->count(),
            'the first is kept',
        );

        // Seven in the morning in Tokyo is yesterday evening in Lisbon: it belongs to the athlete's own day.
        CarbonImmutable::setTestNow('2026-04-18T22:30:00Z');
        $put(['at' => '2026-04-19T07:00:00+09:00', 'provocation' => 2])->assertStatus(201);
        self::assertSame([[2, false, []]], $of('2026-04-19'));

        // A clock that is an hour ahead is put right by what the phone took for now.
        CarbonImmutable::setTestNow('2026-04-20T07:00:00+01:00');
        $id = (string) Str::uuid7();
        $this->withHeaders(['X-Phone-Clock' => '2026-04-20T08:00:00+01:00'])
            ->ask($juno, 'PUT', "/api/today/check-ins/$id", ['at' => '2026-04-20T07:59:00+01:00', 'provocation' => 2])
            ->assertStatus(201);
        self::assertSame('2026-04-20T05:59:00+00:00', CheckIn::query()->findOrFail($id)->at->toIso8601String());
    }

    public function testTheCalendarIsReadByItsAddressAloneAndTellsNoFinding(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $path = self::text($this->ask($juno, 'POST', '/api/today/calendar')->assertStatus(201)->json('address'));
        \Illuminate\Support\Facades\Auth::forgetGuards();
        $file = $this->get($path)->assertOk();
        $text = (string) $file->getContent();
        self::assertStringContainsString('BEGIN:VCALENDAR', $text);
        self::assertStringContainsString('RRULE:FREQ=DAILY', $text);
        self::assertGreaterThan(5, substr_count($text, 'BEGIN:VEVENT'));
        self::assertDoesNotMatchRegularExpression('/tendon|pain|Tamsin/i', $text);
        $this->ask($juno, 'POST', '/api/today/calendar')->assertStatus(201);
        $this->get($path)->assertNotFound();
        $this->get('/calendar/' . Str::random(40) . '.ics')->assertNotFound();
    }

    public function testTheWorkerNamesWhatThePhoneKeeps(): void
    {
        $first = $this->workerOf('athlete-1.js');
        $urls = array_column($first, 'url');
        foreach (['athlete-1.js', 'shell.js', 'shell.css', 'letters.woff2', 'later.js'] as $file) {
            self::assertContains("/build/assets/$file", $urls);
        }
        self::assertContains('/athlete.webmanifest', $urls);
        self::assertNotContains('/build/assets/desk.js', $urls);
        self::assertSame(array_unique($urls), $urls);

        // A phone asks again for what changed, and for nothing else.
        $second = $this->workerOf('athlete-2.js');
        $changed = array_udiff($second, $first, static fn(array $one, array $other): int => $one <=> $other);
        self::assertSame(['/athlete', '/build/assets/athlete-2.js'], array_column($changed, 'url'));
    }

    /** @return list<array{url: string, revision: ?string}> what the worker of a build keeps */
    private function workerOf(string $entry): array
    {
        // A folder for each build: a manifest that was read is remembered by its path.
        $public = sys_get_temp_dir() . '/rung-public-' . Str::random(12);
        File::copyDirectory(base_path('public'), $public);
        File::cleanDirectory("$public/build");
        File::put("$public/build/worker.js", 'keep(self.__WB_MANIFEST);');
        File::put(
            "$public/build/manifest.json",
            (string) json_encode([
                'web/athlete.tsx' => [
                    'file' => "assets/$entry",
                    'src' => 'web/athlete.tsx',
                    'isEntry' => true,
                    'imports' => ['_shell.js'],
                    'dynamicImports' => ['web/later.tsx'],
                    'css' => ['assets/shell.css'],
                ],
                '_shell.js' => [
                    'file' => 'assets/shell.js',
                    'src' => '_shell.js',
                    'assets' => ['assets/letters.woff2'],
                ],
                'web/later.tsx' => ['file' => 'assets/later.js', 'imports' => ['_shell.js']],
                'web/desk.tsx' => ['file' => 'assets/desk.js'],
            ]),
        );
        $before = public_path();
        $this->app?->usePublicPath($public);
        try {
            $script = (string) $this->get('/athlete/worker.js')
                ->assertOk()
                ->assertHeader('Service-Worker-Allowed', '/athlete')
                ->getContent();
        } finally {
            $this->app?->usePublicPath($before);
            File::deleteDirectory($public);
        }
        self::assertSame(1, preg_match('/^keep\((\[.*])\);$/s', $script, $found));
        /** @var list<array{url: string, revision: ?string}> $kept */
        $kept = json_decode($found[1] ?? '', true, flags: JSON_THROW_ON_ERROR);

        return $kept;
    }

    /** @param TestResponse<\Symfony\Component\HttpFoundation\Response> $answer */
    private function token(TestResponse $answer): string
    {
        return explode('#', self::text($answer->json('link')))[1];
    }

    /** @return array<string, mixed> a session as the phone sends it */
    private function log(mixed $due, mixed $version, string $from, string $to, int $sets = 2): array
    {
        self::assertIsArray($due);
        self::assertIsArray($due['exercises']);

        return [
            'planned' => $due['planned'],
            'plan_version' => $version,
            'kind' => 'loading',
            'started_at' => $from,
            'ended_at' => $to,
            'entries' => array_map(
                static fn(mixed $exercise): array => [
                    'prescription' => is_array($exercise) ? $exercise['prescription'] : null,
                    'pain' => 1,
                    'sets' => array_fill(0, $sets, ['reps' => 8]),
                ],
                array_values($due['exercises']),
            ),
        ];
    }
}
