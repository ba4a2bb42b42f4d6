<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\ApiToken;
use App\Models\CareCase;
use App\Models\Import;
use App\Models\Opening;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Nothing without sign-in and permission, and nothing across practices. */
final class PermissionsTest extends TestCase
{
    /** @return iterable<string, array{string, string, bool, int}> method, path, whether it is the practitioner's, and how it answers an empty request */
    public static function doors(): iterable
    {
        yield 'whom to call' => ['GET', '/api/practice', true, 200];
        yield 'saying whom to call' => ['PUT', '/api/practice', true, 422];
        yield 'the tokens' => ['GET', '/api/practice/tokens', true, 200];
        yield 'making a token' => ['POST', '/api/practice/tokens', true, 422];
        yield 'withdrawing a token' => ['DELETE', '/api/practice/tokens/{token}', true, 200];
        yield 'closed cases' => ['GET', '/api/closed-cases', true, 200];
        yield 'the caseload' => ['GET', '/api/caseload', true, 200];
        yield 'the Round' => ['GET', '/api/round', true, 200];
        yield 'the athletes' => ['GET', '/api/athletes', true, 200];
        yield 'openings' => ['GET', '/api/openings', true, 200];
        yield 'leaving an opening' => ['POST', '/api/openings', true, 422];
        yield 'an opening' => ['GET', '/api/openings/{opening}', true, 200];
        yield 'typing on' => ['PUT', '/api/openings/{opening}', true, 422];
        yield 'referring instead' => ['POST', '/api/openings/{opening}/referral', true, 422];
        yield 'referrals' => ['GET', '/api/referrals', true, 200];
        yield 'discarding an opening' => ['DELETE', '/api/openings/{opening}', true, 200];
        yield 'a start' => ['POST', '/api/start-proposals', true, 422];
        yield 'opening a case' => ['POST', '/api/cases', true, 422];
        yield 'the library' => ['GET', '/api/library', true, 200];
        yield 'searching it' => ['GET', '/api/library/search?q=hold', true, 200];
        yield 'comparing' => ['GET', '/api/library/compare?kind=rule&a=low&b=heavy', true, 200];
        yield 'how a programme goes' => ['GET', '/api/library/programmes/heel_paced/course?structure=achilles_midportion', true, 200];
        yield 'the library file' => ['GET', '/api/library/file', true, 200];
        yield 'taking in a file' => ['POST', '/api/library/file', true, 422];
        yield 'what a file would change' => ['POST', '/api/library/file/changes', true, 422];
        yield 'copying' => ['POST', '/api/library/items', true, 422];
        yield 'an item' => ['GET', '/api/library/items/rule/low', true, 200];
        yield 'saving an item' => ['PUT', '/api/library/items/rule/our_low', true, 409];
        yield 'withdrawing an item' => ['DELETE', '/api/library/items/rule/our_low', true, 200];
        yield 'a case' => ['GET', '/api/cases/{case}', true, 200];
        yield 'a test' => ['POST', '/api/cases/{case}/tests', true, 422];
        yield 'a score' => ['POST', '/api/cases/{case}/scores', true, 422];
        yield 'the measures' => ['GET', '/api/cases/{case}/measures', true, 200];
        yield 'a measure' => ['GET', '/api/cases/{case}/measures/range_of_motion', true, 200];
        yield 'the measures as a file' => ['GET', '/api/cases/{case}/measures/file', true, 200];
        yield 'measures from a file' => ['POST', '/api/cases/{case}/measures/file', true, 422];
        yield 'a measurement before it is kept' => ['POST', '/api/cases/{case}/measurements/preview', true, 422];
        yield 'a measurement' => ['PUT', '/api/cases/{case}/measurements/{id}', true, 422];
        yield 'keeping a force curve' => ['PUT', '/api/cases/{case}/curves/{id}', true, 422];
        yield 'a force curve' => ['GET', '/api/cases/{case}/curves/{curve}', true, 200];
        yield 'the weeks' => ['GET', '/api/cases/{case}/weeks', true, 200];
        yield 'a move before it is made' => ['POST', '/api/cases/{case}/weeks/preview', true, 422];
        yield 'a re-plan' => ['POST', '/api/cases/{case}/weeks/replan', true, 200];
        yield 'ready by a day' => ['GET', '/api/cases/{case}/countdown?by=2026-06-30', true, 200];
        yield 'a table of a case' => ['GET', '/api/cases/{case}/tables/sessions.csv', true, 200];
        yield 'a table of all cases' => ['GET', '/api/tables/sessions.csv', true, 200];
        yield 'a case file' => ['GET', '/api/cases/{case}/file', true, 200];
        yield 'all data of an athlete' => ['POST', '/api/cases/{case}/archive', true, 202];
        yield 'all own data' => ['POST', '/api/today/archive', false, 202];
        yield 'the sets of a device' => ['POST', '/api/cases/{case}/set-log', true, 422];
        yield 'sheets that came in' => ['GET', '/api/cases/{case}/sheets', true, 200];
        yield 'a sheet before it is taken in' => ['POST', '/api/cases/{case}/sheets/read', true, 422];
        yield 'taking a sheet in' => ['POST', '/api/cases/{case}/sheets', true, 422];
        yield 'taking a sheet back' => ['DELETE', '/api/cases/{case}/sheets/{import}', true, 200];
        yield 'a health record' => ['GET', '/api/cases/{case}/health-record', true, 200];
        yield 'the papers' => ['GET', '/api/cases/{case}/papers', true, 200];
        yield 'drafting a paper' => ['POST', '/api/cases/{case}/papers', true, 422];
        yield 'a paper' => ['GET', '/api/cases/{case}/papers/{paper}', true, 200];
        yield 'writing a paper' => ['PUT', '/api/cases/{case}/papers/{paper}', true, 422];
        yield 'discarding a paper' => ['DELETE', '/api/cases/{case}/papers/{paper}', true, 200];
        yield 'a paper before it is saved' => ['POST', '/api/cases/{case}/papers/{paper}/preview', true, 422];
        yield 'signing a paper' => ['POST', '/api/cases/{case}/papers/{paper}/signature', true, 422];
        yield 'agreeing to a paper' => ['PUT', '/api/cases/{case}/papers/{paper}/consent', true, 422];
        yield 'agreeing no longer' => ['DELETE', '/api/cases/{case}/papers/{paper}/consent', true, 200];
        yield 'a paper as a file' => ['POST', '/api/cases/{case}/papers/{paper}/file', true, 422];
        yield 'a case file before it is taken in' => ['POST', '/api/import/preview', true, 422];
        yield 'taking a case file in' => ['POST', '/api/import', true, 422];
        yield 'a lighter week' => ['POST', '/api/cases/{case}/weeks/lighter', true, 422];
        yield 'shows and days off before they are marked' => ['POST', '/api/cases/{case}/weeks/days/preview', true, 422];
        yield 'shows and days off' => ['PUT', '/api/cases/{case}/weeks/days', true, 422];
        yield 'days from a text' => ['POST', '/api/cases/{case}/weeks/days/read', true, 422];
        yield 'a move' => ['POST', '/api/cases/{case}/moves', true, 422];
        yield 'a visit' => ['GET', '/api/cases/{case}/visit', true, 200];
        yield 'ending a visit' => ['POST', '/api/cases/{case}/visits', true, 422];
        yield 'a decision' => ['POST', '/api/cases/{case}/decisions', true, 422];
        yield 'a decision before it is made' => ['POST', '/api/cases/{case}/decisions/preview', true, 422];
        yield 'the filters of the Round' => ['GET', '/api/round/filters', true, 200];
        yield 'taking a decision back' => ['DELETE', '/api/cases/{case}/decisions/{decision}', true, 201];
        yield 'a nudge' => ['POST', '/api/cases/{case}/nudges', true, 422];
        yield 'a session told' => ['GET', '/api/cases/{case}/sessions/{session}', true, 200];
        yield 'the intake' => ['GET', '/api/cases/{case}/intake', true, 200];
        yield 'changing the intake' => ['PUT', '/api/cases/{case}/intake', true, 422];
        yield 'the entries' => ['GET', '/api/cases/{case}/entries', true, 200];
        yield 'putting an entry right at the desk' => ['PUT', '/api/cases/{case}/corrections/{id}', true, 422];
        yield 'a session on paper' => ['PUT', '/api/cases/{case}/sessions/{id}', true, 422];
        yield 'a morning by telephone' => ['PUT', '/api/cases/{case}/check-ins/{id}', true, 422];
        yield 'second opinions' => ['GET', '/api/cases/{case}/opinions', true, 200];
        yield 'another stage' => ['GET', '/api/cases/{case}/stages/springs', true, 200];
        yield 'the week' => ['GET', '/api/week', true, 200];
        yield 'a calendar of the work' => ['POST', '/api/week/calendar', true, 201];
        yield 'a plan' => ['GET', '/api/cases/{case}/plan', true, 200];
        yield 'a preview' => ['POST', '/api/cases/{case}/plan/preview', true, 422];
        yield 'prescribing' => ['POST', '/api/cases/{case}/plan', true, 422];
        yield 'how an athlete gets in' => ['GET', '/api/cases/{case}/invitation', true, 200];
        yield 'inviting' => ['POST', '/api/cases/{case}/invitation', true, 201];
        yield 'withdrawing access' => ['DELETE', '/api/cases/{case}/invitation', true, 200];
        yield 'the messages' => ['GET', '/api/messages', true, 200];
        yield 'what was written' => ['GET', '/api/cases/{case}/messages', true, 200];
        yield 'answering the athlete' => ['POST', '/api/cases/{case}/messages', true, 422];
        yield 'own data' => ['GET', '/api/today/data', false, 200];
        yield 'putting an entry right' => ['PUT', '/api/today/corrections/{id}', false, 422];
        yield 'a missed session' => ['PUT', '/api/today/planned/{planned}', false, 422];
        yield 'other days for a session' => ['GET', '/api/today/planned/{planned}/days', false, 422];
        yield 'another day for a session' => ['PUT', '/api/today/moves/{id}', false, 422];
        yield 'writing to the practice' => ['PUT', '/api/today/messages/{id}', false, 422];
        yield 'a calendar to subscribe to' => ['POST', '/api/today/calendar', false, 201];
        yield 'today' => ['GET', '/api/today', false, 200];
        yield 'a session' => ['PUT', '/api/today/sessions/{id}', false, 422];
        yield 'settling' => ['PATCH', '/api/today/sessions/{session}', false, 422];
        yield 'a morning' => ['PUT', '/api/today/check-ins/{id}', false, 422];
    }

    #[DataProvider('doors')]
    public function testADoorOpensForItsPeopleAlone(string $method, string $path, bool $desk, int $opens): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        if (str_contains($path, '/our_low')) {
            $this->ask($own, 'POST', '/api/library/items', ['kind' => 'rule', 'key' => 'low'])->assertStatus(201);
        }
        $path = (string) preg_replace_callback('/\{(\w+)\}/', fn(array $part): string => $this->somethingNamed($part[1], $case), $path);

        \Illuminate\Support\Facades\Auth::forgetGuards();
        $this->ask(null, $method, $path)->assertStatus(401)->assertJsonStructure(['message']);
        $wrong = $desk ? $this->athlete('Juno Tamsin') : $own;
        $this->ask($wrong, $method, $path)->assertStatus(403);
        $right = $desk ? $own : $this->athlete('Juno Tamsin');
        self::assertSame($opens, $this->ask($right, $method, $path)->getStatusCode());
    }

    /** What stands behind a name in an address; only what a door needs is made. */
    private function somethingNamed(string $name, CareCase $case): string
    {
        $own = $this->practitioner();
        $ids = ['practice_id' => $case->practice_id, 'case_id' => $case->id];
        $curve = (string) Str::uuid7();

        return match ($name) {
            'case' => $case->id,
            'session' => $case->trainingSessions()->firstOrFail()->id,
            'planned' => $case->plannedSessions()->firstOrFail()->id,
            'opening' => Opening::query()->create(['practice_id' => $case->practice_id, 'practitioner_id' => $case->practitioner_id, 'name' => 'Somebody', 'step' => 1, 'form' => (object) []])->id,
            'decision' => self::text($this->ask($own, 'POST', "/api/cases/$case->id/decisions", ['kind' => 'review', 'review_on' => '2026-05-20', 'reason' => 'x', 'revision' => $case->refresh()->revision])->assertStatus(201)->json('id')),
            'curve' => $this->ask($own, 'PUT', "/api/cases/$case->id/curves/$curve", ['measure' => 'knee_extension_strength', 'side' => 'affected', 'unit' => 'N', 'ms' => [0, 10, 20], 'force' => [0, 20, 40]])->assertStatus(201)->getStatusCode() === 201 ? $curve : '',
            'paper' => self::text($this->ask($own, 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])->json('id')),
            'import' => Import::query()->create($ids + ['user_id' => $own->id, 'kind' => 'mornings', 'entries' => 0, 'at' => CarbonImmutable::now()])->id,
            'token' => ApiToken::issue($own, 'x', CarbonImmutable::now()->addDay())[0]->id,
            default => (string) Str::uuid7(),
        };
    }

    public function testEveryDoorIsTried(): void
    {
        $shape = static fn(string $method, string $path): string => $method . ' ' . preg_replace(['/\?.*$/', '#/library/items/rule/(our_)?low#', '#/stages/springs#', '#/programmes/heel_paced#', '#/measures/range_of_motion#', '#/tables/sessions\.csv#', '/\{\w+\}/'], ['', '/library/items/{}/{}', '/stages/{}', '/programmes/{}', '/measures/{}', '/tables/{}.csv', '{}'], $path);
        $tried = array_map(static fn(array $door): string => $shape($door[0], $door[1]), array_values(iterator_to_array(self::doors())));
        // Getting in and out is open to anybody, a file to whoever asked for it; both have tests of their own.
        $open = ['GET /api/files/{}', 'DELETE /api/files/{}', 'GET /api/files/{}/content', 'GET /api/session', 'POST /api/session', 'DELETE /api/session', 'DELETE /api/sessions', 'POST /api/join'];
        $found = [];
        foreach (\Illuminate\Support\Facades\Route::getRoutes()->getRoutes() as $route) {
            foreach (str_starts_with($route->uri(), 'api/') && $route->uri() !== 'api/{rest}' ? $route->methods() : [] as $method) {
                if (is_string($method) && $method !== 'HEAD') {
                    $found[] = $shape($method, "/{$route->uri()}");
                }
            }
        }
        self::assertNotEmpty($found);
        self::assertEqualsCanonicalizing($found, [...$tried, ...$open]);
    }

    public function testPracticesNeverSeeEachOther(): void
    {
        $foreign = $this->caseOf('Juno Tamsin', 'Another Practice');
        $planned = $foreign->plannedSessions()->firstOrFail();
        $own = $this->practitioner();
        $other = $this->practitioner('Another Practice');
        $typed = Opening::query()->create(['practice_id' => $other->practice_id, 'practitioner_id' => $other->id, 'name' => 'Theirs', 'step' => 2, 'form' => (object) []]);
        $this->ask($other, 'POST', '/api/library/items', ['kind' => 'rule', 'key' => 'low'])->assertStatus(201)->assertJsonPath('key', 'our_low');
        $case = $this->caseOf('Juno Tamsin');
        $theirs = self::text($this->ask($other, 'POST', "/api/cases/$foreign->id/papers", ['kind' => 'sheet'])->assertStatus(201)->json('id'));
        // An athlete of another practice cannot be given a case either.
        $this->ask($own, 'POST', '/api/cases', OpeningTest::opening(['athlete' => ['id' => $foreign->athlete_id]]))->assertStatus(422)->assertJsonValidationErrorFor('athlete.id');

        foreach ([['GET', "/api/cases/$foreign->id"], ['POST', "/api/cases/$foreign->id/tests"], ['POST', "/api/cases/$foreign->id/decisions"], ['DELETE', "/api/cases/$foreign->id/decisions/$foreign->id"],
            ['POST', "/api/cases/$foreign->id/nudges"], ['GET', "/api/cases/$foreign->id/sessions/$foreign->id"], ['GET', "/api/cases/$foreign->id/opinions"],
            ['GET', "/api/cases/$foreign->id/measures"], ['GET', "/api/cases/$foreign->id/measures/file"], ['POST', "/api/cases/$foreign->id/measures/file"], ['GET', "/api/cases/$foreign->id/measures/range_of_motion"], ['POST', "/api/cases/$foreign->id/measurements/preview"],
            ['GET', "/api/cases/$foreign->id/weeks"], ['POST', "/api/cases/$foreign->id/weeks/preview"], ['POST', "/api/cases/$foreign->id/weeks/replan"], ['POST', "/api/cases/$foreign->id/weeks/lighter"], ['GET', "/api/cases/$foreign->id/countdown?by=2026-06-30"], ['GET', "/api/cases/$foreign->id/file"], ['GET', "/api/cases/$foreign->id/sheets"], ['DELETE', "/api/cases/$foreign->id/sheets/$foreign->id"], ['GET', "/api/cases/$foreign->id/health-record"], ['POST', "/api/cases/$foreign->id/archive"], ['GET', "/api/cases/$foreign->id/papers"], ['POST', "/api/cases/$foreign->id/papers"],
            ['GET', "/api/cases/$case->id/papers/$theirs"], ['DELETE', "/api/cases/$case->id/papers/$theirs/consent"], ['DELETE', "/api/cases/$case->id/papers/$theirs"], ['GET', "/api/cases/$foreign->id/tables/sets.csv"], ['POST', "/api/cases/$foreign->id/weeks/days/preview"], ['PUT', "/api/cases/$foreign->id/weeks/days"], ['POST', "/api/cases/$foreign->id/weeks/days/read"], ['POST', "/api/cases/$foreign->id/moves"],
            ['PUT', "/api/cases/$foreign->id/measurements/$foreign->id"], ['PUT', "/api/cases/$foreign->id/curves/$foreign->id"], ['GET', "/api/cases/$foreign->id/curves/$foreign->id"],
            ['GET', "/api/cases/$foreign->id/invitation"], ['POST', "/api/cases/$foreign->id/invitation"], ['DELETE', "/api/cases/$foreign->id/invitation"],
            ['GET', "/api/cases/$foreign->id/plan"], ['GET', "/api/cases/$foreign->id/stages/springs"], ['POST', "/api/cases/$foreign->id/plan"], ['POST', "/api/cases/$foreign->id/plan/preview"],
            ['GET', "/api/openings/$typed->id"], ['PUT', "/api/openings/$typed->id"], ['DELETE', "/api/openings/$typed->id"],
            ['GET', '/api/library/items/rule/our_low'], ['DELETE', '/api/library/items/rule/our_low']] as [$method, $path]) {
            $this->ask($own, $method, $path)->assertStatus(404);
        }
        $seen = $this->ask($own, 'GET', '/api/round')->json('cases.*.id');
        self::assertIsArray($seen);
        self::assertCount(14, $seen);
        self::assertNotContains($foreign->id, $seen);

        // The planned session of another practice cannot be named either.
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', '/api/today/sessions/' . Str::uuid7(), [
            'planned' => $planned->id, 'plan_version' => 1, 'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00', 'ended_at' => '2026-04-14T07:40:00+01:00', 'entries' => [],
        ])->assertStatus(422)->assertJsonValidationErrorFor('planned');
    }

    public function testAnotherPersonsSessionIsNotFound(): void
    {
        $session = $this->caseOf('Piet Olander')->trainingSessions()->firstOrFail();
        $this->ask($this->athlete('Juno Tamsin'), 'PATCH', "/api/today/sessions/$session->id", ['settled_min' => 10])->assertStatus(404);
    }

    public function testAnIdOfAnotherIsNeitherOverwrittenNorTakenForStored(): void
    {
        $theirs = $this->caseOf('Juno Tamsin', 'Another Practice')->trainingSessions()->firstOrFail();
        $morning = $this->caseOf('Piet Olander')->checkIns()->firstOrFail();
        $juno = $this->athlete('Juno Tamsin');

        $this->ask($juno, 'PUT', "/api/today/sessions/$theirs->id", [
            'plan_version' => 1, 'kind' => 'loading', 'started_at' => '2026-04-14T07:00:00+01:00', 'ended_at' => '2026-04-14T07:40:00+01:00', 'entries' => [],
        ])->assertStatus(422)->assertJsonValidationErrorFor('id');
        $this->ask($juno, 'PUT', "/api/today/check-ins/$morning->id", ['at' => '2026-04-14T07:00:00+01:00', 'provocation' => 2])
            ->assertStatus(422)->assertJsonValidationErrorFor('id');
    }

    public function testEveryReadAndChangeOfARecordIsWrittenDown(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $juno = $this->athlete('Juno Tamsin');
        $plan = $this->ask($own, 'GET', "/api/cases/$case->id/plan");
        $stage = collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));
        self::assertIsArray($stage);
        $asked = array_column((array) $stage['prescriptions'], 'prescription');
        self::assertIsArray($asked[0]);
        $draft = ['stage' => $plan->json('stage'), 'prescriptions' => array_replace($asked, [array_replace_recursive($asked[0], ['dose' => ['sets' => 9]])]), 'why' => 'x'];
        $session = $case->trainingSessions()->firstOrFail();
        // A page that refreshes itself within ten minutes is one reading: this is later.
        CarbonImmutable::setTestNow('2026-04-14T09:00:00+01:00');

        foreach ([
            'looked at the Round' => [$own, 'GET', '/api/round', []],
            'looked at a case' => [$own, 'GET', "/api/cases/$case->id", []],
            'looked at a session' => [$own, 'GET', "/api/cases/$case->id/sessions/$session->id", []],
            'asked for second opinions' => [$own, 'GET', "/api/cases/$case->id/opinions", []],
            'previewed a stage' => [$own, 'GET', "/api/cases/$case->id/stages/springs", []],
            'looked at a plan' => [$own, 'GET', "/api/cases/$case->id/plan", []],
            'previewed a plan' => [$own, 'POST', "/api/cases/$case->id/plan/preview", $draft],
            'prescribed' => [$own, 'POST', "/api/cases/$case->id/plan", $draft],
            'decided: note' => [$own, 'POST', "/api/cases/$case->id/decisions", ['kind' => 'note', 'reason' => 'x']],
            'began a visit' => [$own, 'GET', "/api/cases/$case->id/visit", []],
            'ended a visit' => [$own, 'POST', "/api/cases/$case->id/visits", ['id' => (string) Str::uuid7(), 'began' => '2026-04-14T09:00:00+01:00', 'note' => 'x']],
            'recorded a test' => [$own, 'POST', "/api/cases/$case->id/tests", ['test' => 'knee_extension_strength', 'on' => '2026-04-14', 'affected' => 390, 'unaffected' => 420, 'unit' => 'N']],
            'nudged the athlete' => [$own, 'POST', "/api/cases/$case->id/nudges", ['words' => 'Hello']],
            'looked at how the athlete gets in' => [$own, 'GET', "/api/cases/$case->id/invitation", []],
            'invited the athlete' => [$own, 'POST', "/api/cases/$case->id/invitation", []],
            "withdrew the athlete's access" => [$own, 'DELETE', "/api/cases/$case->id/invitation", []],
            'looked at today' => [$juno, 'GET', '/api/today', []],
            'answered the morning' => [$juno, 'PUT', '/api/today/check-ins/' . Str::uuid7(), ['at' => '2026-04-14T07:00:00+01:00', 'provocation' => 2]],
        ] as $what => [$who, $method, $path, $body]) {
            $told = fn(): array => AccessLogEntry::query()->whereJsonContains('cases', $case->id)->where('user_id', $who->id)->pluck('what')->all();
            $before = $told();
            for ($twice = 0; $twice < ($method === 'GET' ? 2 : 1); $twice++) {
                $seen = preg_match('#/(decisions|plan)$#', $path) === 1 ? ['revision' => $case->refresh()->revision] : [];
                $status = $this->ask($who, $method, $path, $body + $seen)->getStatusCode();
                self::assertContains($status, [200, 201], "$method $path");
            }
            self::assertEqualsCanonicalizing([...$before, $what], $told(), 'once, however often a page refreshes itself');
        }
        // Whose plans are offered for copying is a reading too, of those athletes.
        $offered = AccessLogEntry::query()->where('what', 'looked for a plan to copy')->firstOrFail()->cases;
        self::assertNotContains($case->id, $offered);
        self::assertContains($this->caseOf('Edda Moorgate')->id, $offered);
    }

    public function testSigningInIsThrottledAndTellsNothing(): void
    {
        $try = fn(string $email): int => $this->ask(null, 'POST', '/api/session', ['email' => $email, 'password' => 'wrong'])->getStatusCode();
        self::assertSame([422, 422, 422, 422, 422, 429], array_map(static fn(): int => $try('ola.vance@ropewalk.example'), range(1, 6)));
        $unknown = $this->ask(null, 'POST', '/api/session', ['email' => 'nobody@ropewalk.example', 'password' => 'wrong']);
        $unknown->assertStatus(422)->assertJsonPath('errors.password.0', 'E-mail address and password do not match. Check both.');

        $this->travel(61)->seconds();
        $this->ask(null, 'POST', '/api/session', ['email' => 'ola.vance@ropewalk.example', 'password' => self::PASSWORD])
            ->assertOk()->assertJsonPath('user.name', 'Ola Vance');
        $this->ask(null, 'DELETE', '/api/session')->assertOk();
        $this->ask(null, 'GET', '/api/session')->assertOk()->assertJsonPath('user', null);
    }
}
