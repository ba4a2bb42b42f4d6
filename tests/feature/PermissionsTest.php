<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Permission;
use App\Models\AccessLogEntry;
use App\Models\ApiToken;
use App\Models\CareCase;
use App\Models\CaseShare;
use App\Models\Cover;
use App\Models\Import;
use App\Models\Opening;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Nothing without sign-in and permission, and nothing across practices. */
final class PermissionsTest extends TestCase
{
    /** @return iterable<string, array{string, string, Permission, int}> method, path, what it asks for, and how it answers an empty request */
    public static function doors(): iterable
    {
        yield 'whom to call' => ['GET', '/api/practice', Permission::See, 200];
        yield 'saying whom to call' => ['PUT', '/api/practice', Permission::Manage, 422];
        yield 'the tokens' => ['GET', '/api/practice/tokens', Permission::Manage, 200];
        yield 'making a token' => ['POST', '/api/practice/tokens', Permission::Manage, 422];
        yield 'withdrawing a token' => ['DELETE', '/api/practice/tokens/{token}', Permission::Manage, 200];
        yield 'closed cases' => ['GET', '/api/closed-cases', Permission::See, 200];
        yield 'the caseload' => ['GET', '/api/caseload', Permission::See, 200];
        yield 'the Round' => ['GET', '/api/round', Permission::See, 200];
        yield 'the athletes' => ['GET', '/api/athletes', Permission::Decide, 200];
        yield 'openings' => ['GET', '/api/openings', Permission::Decide, 200];
        yield 'leaving an opening' => ['POST', '/api/openings', Permission::Decide, 422];
        yield 'an opening' => ['GET', '/api/openings/{opening}', Permission::Decide, 200];
        yield 'typing on' => ['PUT', '/api/openings/{opening}', Permission::Decide, 422];
        yield 'referring instead' => ['POST', '/api/openings/{opening}/referral', Permission::Decide, 422];
        yield 'referrals' => ['GET', '/api/referrals', Permission::See, 200];
        yield 'discarding an opening' => ['DELETE', '/api/openings/{opening}', Permission::Decide, 200];
        yield 'a start' => ['POST', '/api/start-proposals', Permission::Decide, 422];
        yield 'opening a case' => ['POST', '/api/cases', Permission::Decide, 422];
        yield 'the library' => ['GET', '/api/library', Permission::See, 200];
        yield 'how several are drawn' => ['GET', '/api/figures?of=squat', Permission::See, 200];
        yield 'how an exercise is drawn' => ['GET', '/api/figures/{exercise}', Permission::See, 200];
        yield 'searching it' => ['GET', '/api/library/search?q=hold', Permission::See, 200];
        yield 'comparing' => ['GET', '/api/library/compare?kind=rule&a=low&b=heavy', Permission::See, 200];
        yield 'how a programme goes' => [
            'GET',
            '/api/library/programmes/heel_paced/course?structure=achilles_midportion',
            Permission::See,
            200,
        ];
        yield 'the library file' => ['GET', '/api/library/file', Permission::TakeOut, 200];
        yield 'taking in a file' => ['POST', '/api/library/file', Permission::Decide, 422];
        yield 'what a file would change' => ['POST', '/api/library/file/changes', Permission::Decide, 422];
        yield 'copying' => ['POST', '/api/library/items', Permission::Decide, 422];
        yield 'an item' => ['GET', '/api/library/items/rule/low', Permission::See, 200];
        yield 'saving an item' => ['PUT', '/api/library/items/rule/our_low', Permission::Decide, 409];
        yield 'withdrawing an item' => ['DELETE', '/api/library/items/rule/our_low', Permission::Decide, 200];
        yield 'a case' => ['GET', '/api/cases/{case}', Permission::See, 200];
        yield 'a test' => ['POST', '/api/cases/{case}/tests', Permission::Enter, 422];
        yield 'a score' => ['POST', '/api/cases/{case}/scores', Permission::Enter, 422];
        yield 'the measures' => ['GET', '/api/cases/{case}/measures', Permission::See, 200];
        yield 'a measure' => ['GET', '/api/cases/{case}/measures/range_of_motion', Permission::See, 200];
        yield 'the measures as a file' => ['GET', '/api/cases/{case}/measures/file', Permission::TakeOut, 200];
        yield 'measures from a file' => ['POST', '/api/cases/{case}/measures/file', Permission::Enter, 422];
        yield 'a measurement before it is kept' => [
            'POST',
            '/api/cases/{case}/measurements/preview',
            Permission::Enter,
            422,
        ];
        yield 'a measurement' => ['PUT', '/api/cases/{case}/measurements/{id}', Permission::Enter, 422];
        yield 'keeping a force curve' => ['PUT', '/api/cases/{case}/curves/{id}', Permission::Enter, 422];
        yield 'a force curve' => ['GET', '/api/cases/{case}/curves/{curve}', Permission::See, 200];
        yield 'the weeks' => ['GET', '/api/cases/{case}/weeks', Permission::See, 200];
        yield 'a move before it is made' => ['POST', '/api/cases/{case}/weeks/preview', Permission::Decide, 422];
        yield 'a re-plan' => ['POST', '/api/cases/{case}/weeks/replan', Permission::Decide, 200];
        yield 'ready by a day' => ['GET', '/api/cases/{case}/countdown?by=2026-06-30', Permission::See, 200];
        yield 'a table of a case' => ['GET', '/api/cases/{case}/tables/sessions.csv', Permission::TakeOut, 200];
        yield 'a table of all cases' => ['GET', '/api/tables/sessions.csv', Permission::TakeOut, 200];
        yield 'a case file' => ['GET', '/api/cases/{case}/file', Permission::TakeOut, 200];
        yield 'all data of an athlete' => ['POST', '/api/cases/{case}/archive', Permission::Manage, 202];
        yield 'all own data' => ['POST', '/api/today/archive', Permission::Train, 202];
        yield 'the sets of a device' => ['POST', '/api/cases/{case}/set-log', Permission::Enter, 422];
        yield 'sheets that came in' => ['GET', '/api/cases/{case}/sheets', Permission::See, 200];
        yield 'a sheet before it is taken in' => ['POST', '/api/cases/{case}/sheets/read', Permission::Enter, 422];
        yield 'taking a sheet in' => ['POST', '/api/cases/{case}/sheets', Permission::Enter, 422];
        yield 'taking a sheet back' => ['DELETE', '/api/cases/{case}/sheets/{import}', Permission::Enter, 200];
        yield 'a health record' => ['GET', '/api/cases/{case}/health-record', Permission::TakeOut, 200];
        yield 'the papers' => ['GET', '/api/cases/{case}/papers', Permission::See, 200];
        yield 'drafting a paper' => ['POST', '/api/cases/{case}/papers', Permission::Decide, 422];
        yield 'a paper' => ['GET', '/api/cases/{case}/papers/{paper}', Permission::See, 200];
        yield 'writing a paper' => ['PUT', '/api/cases/{case}/papers/{paper}', Permission::Decide, 422];
        yield 'discarding a paper' => ['DELETE', '/api/cases/{case}/papers/{paper}', Permission::Decide, 200];
        yield 'a paper before it is saved' => [
            'POST',
            '/api/cases/{case}/papers/{paper}/preview',
            Permission::Decide,
            422,
        ];
        yield 'signing a paper' => ['POST', '/api/cases/{case}/papers/{paper}/signature', Permission::Decide, 422];
        yield 'agreeing to a paper' => ['PUT', '/api/cases/{case}/papers/{paper}/consent', Permission::Decide, 422];
        yield 'agreeing no longer' => ['DELETE', '/api/cases/{case}/papers/{paper}/consent', Permission::Decide, 200];
        yield 'a paper as a file' => ['POST', '/api/cases/{case}/papers/{paper}/file', Permission::TakeOut, 422];
        yield 'a case file before it is taken in' => ['POST', '/api/import/preview', Permission::Decide, 422];
        yield 'taking a case file in' => ['POST', '/api/import', Permission::Decide, 422];
        yield 'a lighter week' => ['POST', '/api/cases/{case}/weeks/lighter', Permission::Decide, 422];
        yield 'shows and days off before they are marked' => [
            'POST',
            '/api/cases/{case}/weeks/days/preview',
            Permission::Decide,
            422,
        ];
        yield 'shows and days off' => ['PUT', '/api/cases/{case}/weeks/days', Permission::Decide, 422];
        yield 'days from a text' => ['POST', '/api/cases/{case}/weeks/days/read', Permission::Decide, 422];
        yield 'a move' => ['POST', '/api/cases/{case}/moves', Permission::Decide, 422];
        yield 'a visit' => ['GET', '/api/cases/{case}/visit', Permission::Decide, 200];
        yield 'ending a visit' => ['POST', '/api/cases/{case}/visits', Permission::Decide, 422];
        yield 'a decision' => ['POST', '/api/cases/{case}/decisions', Permission::Decide, 422];
        yield 'a decision before it is made' => [
            'POST',
            '/api/cases/{case}/decisions/preview',
            Permission::Decide,
            422,
        ];
        yield 'the filters of the Round' => ['GET', '/api/round/filters', Permission::See, 200];
        yield 'taking a decision back' => ['DELETE', '/api/cases/{case}/decisions/{decision}', Permission::Decide, 201];
        yield 'a nudge' => ['POST', '/api/cases/{case}/nudges', Permission::Decide, 422];
        yield 'a session in full' => ['GET', '/api/cases/{case}/sessions/{session}', Permission::See, 200];
        yield 'the intake' => ['GET', '/api/cases/{case}/intake', Permission::See, 200];
        yield 'changing the intake' => ['PUT', '/api/cases/{case}/intake', Permission::Decide, 422];
        yield 'the entries' => ['GET', '/api/cases/{case}/entries', Permission::See, 200];
        yield 'putting an entry right at the desk' => [
            'PUT',
            '/api/cases/{case}/corrections/{id}',
            Permission::Enter,
            422,
        ];
        yield 'a session on paper' => ['PUT', '/api/cases/{case}/sessions/{id}', Permission::Enter, 422];
        yield 'a morning by telephone' => ['PUT', '/api/cases/{case}/check-ins/{id}', Permission::Enter, 422];
        yield 'second opinions' => ['GET', '/api/cases/{case}/opinions', Permission::Decide, 200];
        yield 'another stage' => ['GET', '/api/cases/{case}/stages/springs', Permission::Decide, 200];
        yield 'the week' => ['GET', '/api/week', Permission::See, 200];
        yield 'a calendar of the work' => ['POST', '/api/week/calendar', Permission::See, 201];
        yield 'a plan' => ['GET', '/api/cases/{case}/plan', Permission::Decide, 200];
        yield 'a preview' => ['POST', '/api/cases/{case}/plan/preview', Permission::Decide, 422];
        yield 'prescribing' => ['POST', '/api/cases/{case}/plan', Permission::Decide, 422];
        yield 'how an athlete gets in' => ['GET', '/api/cases/{case}/invitation', Permission::Decide, 200];
        yield 'inviting' => ['POST', '/api/cases/{case}/invitation', Permission::Decide, 201];
        yield 'withdrawing access' => ['DELETE', '/api/cases/{case}/invitation', Permission::Decide, 200];
        yield 'the messages' => ['GET', '/api/messages', Permission::See, 200];
        yield 'what was written' => ['GET', '/api/cases/{case}/messages', Permission::See, 200];
        yield 'answering the athlete' => ['POST', '/api/cases/{case}/messages', Permission::Decide, 422];
        yield 'who stands in' => ['GET', '/api/covers', Permission::See, 200];
        yield 'standing in' => ['POST', '/api/covers', Permission::Decide, 422];
        yield 'standing in no longer' => ['DELETE', '/api/covers/{cover}', Permission::Decide, 200];
        yield 'cases of others' => ['GET', '/api/other-cases?search=juno', Permission::Decide, 200];
        yield 'opening a case of others' => ['POST', '/api/other-cases/{case}/opening', Permission::Decide, 422];
        yield 'who sees a case' => ['GET', '/api/cases/{case}/shares', Permission::See, 200];
        yield 'sharing a case' => ['POST', '/api/cases/{case}/shares', Permission::Decide, 422];
        yield 'sharing it no longer' => ['DELETE', '/api/cases/{case}/shares/{share}', Permission::Decide, 200];
        yield 'handing a case over' => ['PUT', '/api/cases/{case}/practitioner', Permission::Decide, 422];
        yield 'the people' => ['GET', '/api/practice/people', Permission::Manage, 200];
        yield 'inviting a colleague' => ['POST', '/api/practice/people', Permission::Manage, 422];
        yield 'changing a role' => ['PUT', '/api/practice/people/{person}', Permission::Manage, 422];
        yield 'inviting a colleague again' => [
            'POST',
            '/api/practice/people/{person}/invitation',
            Permission::Manage,
            201,
        ];
        yield 'suspending' => ['POST', '/api/practice/people/{person}/suspension', Permission::Manage, 200];
        yield 'letting in again' => ['DELETE', '/api/practice/people/{person}/suspension', Permission::Manage, 200];
        yield 'leaving' => ['POST', '/api/practice/people/{person}/leaving', Permission::Manage, 422];
        yield 'taking a second factor off' => [
            'DELETE',
            '/api/practice/people/{person}/second-factor',
            Permission::Manage,
            200,
        ];
        yield 'the rules of a practice' => ['PUT', '/api/practice/rules', Permission::Manage, 422];
        yield 'taking note of an opened case' => [
            'POST',
            '/api/practice/opened/{opened}/seen',
            Permission::Manage,
            200,
        ];
        yield 'who saw what' => ['GET', '/api/practice/record', Permission::Manage, 200];
        yield 'who saw what, as a table' => ['GET', '/api/practice/record.csv', Permission::Manage, 200];
        yield 'who looked at the own record' => ['GET', '/api/today/readers', Permission::Train, 200];
        yield 'what an athlete agreed to' => ['GET', '/api/cases/{case}/rights', Permission::See, 200];
        yield 'an agreement' => ['POST', '/api/cases/{case}/consents', Permission::Decide, 422];
        yield 'setting a record aside' => ['PUT', '/api/cases/{case}/restriction', Permission::Manage, 422];
        yield 'erasing an athlete' => ['POST', '/api/cases/{case}/erasure', Permission::Manage, 422];
        yield 'records that need not be kept' => ['GET', '/api/practice/retention', Permission::Manage, 200];
        yield 'how long records are kept' => ['PUT', '/api/practice/retention', Permission::Manage, 422];
        yield 'erasing what need not be kept' => ['POST', '/api/practice/retention', Permission::Manage, 422];
        yield 'own data' => ['GET', '/api/today/data', Permission::Train, 200];
        yield 'putting an entry right' => ['PUT', '/api/today/corrections/{id}', Permission::Train, 422];
        yield 'a missed session' => ['PUT', '/api/today/planned/{planned}', Permission::Train, 422];
        yield 'other days for a session' => ['GET', '/api/today/planned/{planned}/days', Permission::Train, 422];
        yield 'another day for a session' => ['PUT', '/api/today/moves/{id}', Permission::Train, 422];
        yield 'writing to the practice' => ['PUT', '/api/today/messages/{id}', Permission::Train, 422];
        yield 'being reminded on a phone' => ['PUT', '/api/today/phones/{id}', Permission::Train, 422];
        yield 'being reminded no more' => ['DELETE', '/api/today/phones/{id}', Permission::Train, 200];
        yield 'what waits for a phone' => ['GET', '/api/today/phones/{id}/pushes', Permission::Train, 200];
        yield 'a calendar to subscribe to' => ['POST', '/api/today/calendar', Permission::Train, 201];
        yield 'today' => ['GET', '/api/today', Permission::Train, 200];
        yield 'a session' => ['PUT', '/api/today/sessions/{id}', Permission::Train, 422];
        yield 'settling' => ['PATCH', '/api/today/sessions/{session}', Permission::Train, 422];
        yield 'a morning' => ['PUT', '/api/today/check-ins/{id}', Permission::Train, 422];
    }

    /** Which roles have which permission, as practices read it: written here once more, so that a slip in the table shows. */
    private const HAVE = [
        'see' => [Role::Owner, Role::Practitioner, Role::Assistant, Role::Reader],
        'enter' => [Role::Owner, Role::Practitioner, Role::Assistant],
        'decide' => [Role::Owner, Role::Practitioner],
        'take-out' => [Role::Owner, Role::Practitioner],
        'manage' => [Role::Owner],
        'train' => [Role::Athlete],
    ];

    #[DataProvider('doors')]
    public function testADoorOpensForItsPeopleAlone(string $method, string $path, Permission $needs, int $opens): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        if (str_contains($path, '/our_low')) {
            $this->ask($own, 'POST', '/api/library/items', ['kind' => 'rule', 'key' => 'low'])->assertStatus(201);
        }
        $path = (string) preg_replace_callback(
            '/\{(\w+)\}/',
            fn(array $part): string => $this->somethingNamed($part[1], $case),
            $path,
        );
        $who = fn(Role $role): User => $role === Role::Athlete ? $this->athlete('Juno Tamsin') : $this->staff($role);

        \Illuminate\Support\Facades\Auth::forgetGuards();
        $this->ask(null, $method, $path)
            ->assertStatus(401)
            ->assertJsonStructure(['message']);
        foreach (Role::cases() as $role) {
            if (!in_array($role, self::HAVE[$needs->value], true)) {
                // What somebody else types of a new case is not even found.
                $refused = str_contains($path, '/openings/') ? [403, 404] : [403];
                self::assertContains($this->ask($who($role), $method, $path)->getStatusCode(), $refused, $role->value);
            }
        }
        // The one of those it opens for who may do least.
        $have = self::HAVE[$needs->value];
        self::assertSame($opens, $this->ask($who($have[count($have) - 1]), $method, $path)->getStatusCode());
    }

    /** @return iterable<string, array{string, string}> every door of a case */
    public static function doorsOfACase(): iterable
    {
        foreach (self::doors() as $name => [$method, $path]) {
            if (str_contains($path, '/cases/{case}')) {
                yield $name => [$method, $path];
            }
        }
    }

    /** Nobody finds the case of another practice, nor, where people see their own alone, that of a colleague; the colleague and the owner do. */
    #[DataProvider('doorsOfACase')]
    public function testACaseOfOthersIsNotFound(string $method, string $path): void
    {
        $this->ownCasesOnly();
        $path = static fn(CareCase $case): string => (string) preg_replace(
            '/\{\w+\}/',
            (string) Str::uuid7(),
            str_replace('{case}', $case->id, $path),
        );
        $ren = $this->staff(Role::Practitioner);
        $olas = CareCase::query()
            ->where('practice_id', $ren->practice_id)
            ->where('practitioner_id', $this->practitioner()->id)
            ->firstOrFail();
        $this->ask(
            $this->practitioner(),
            $method,
            $path($this->caseOf('Juno Tamsin', 'Another Practice')),
        )->assertStatus(404);
        $expected = str_contains($path($olas), '/archive') ? 403 : 404;
        self::assertContains($this->ask($ren, $method, $path($olas))->getStatusCode(), [404, $expected]);
        $assistant = $this->staff(Role::Assistant);
        $unassigned = CareCase::query()
            ->where('practice_id', $ren->practice_id)
            ->whereNotIn('id', CaseShare::query()->where('user_id', $assistant->id)->select('case_id'))
            ->firstOrFail();
        $this->ask($assistant, $method, $path($unassigned))->assertStatus(404);
    }

    public function testWhoWasSuspendedOrHasLeftFindsNothing(): void
    {
        foreach (['suspended_at', 'left_at'] as $how) {
            $ren = $this->staff(Role::Practitioner);
            $ren->forceFill([$how => CarbonImmutable::now()])->save();
            $this->ask($ren, 'GET', '/api/round')->assertStatus(403);
            $ren->forceFill([$how => null])->save();
        }
    }

    /** What stands behind a name in an address; only what a door needs is made. */
    private function somethingNamed(string $name, CareCase $case): string
    {
        $own = $this->practitioner();
        $curve = (string) Str::uuid7();

        return match ($name) {
            'case' => $case->id,
            'exercise' => 'squat',
            'session' => $case->trainingSessions()->firstOrFail()->id,
            'planned' => $case->plannedSessions()->firstOrFail()->id,
            'opening' => Opening::factory()->by($own)->create()->id,
            'decision' => self::text(
                $this->ask($own, 'POST', "/api/cases/$case->id/decisions", [
                    'kind' => 'review',
                    'review_on' => '2026-05-20',
                    'reason' => 'x',
                    'revision' => $case->refresh()->revision,
                ])
                    ->assertStatus(201)
                    ->json('id'),
            ),
            'curve' => $this->ask($own, 'PUT', "/api/cases/$case->id/curves/$curve", [
                'measure' => 'knee_extension_strength',
                'side' => 'affected',
                'unit' => 'N',
                'ms' => [0, 10, 20],
                'force' => [0, 20, 40],
            ])
                ->assertStatus(201)
                ->getStatusCode() === 201
                ? $curve
                : '',
            'paper' => self::text(
                $this->ask($own, 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])->json('id'),
            ),
            'import' => Import::factory()->inCase($case)->by($own)->create()->id,
            'person' => $this->staff(Role::Reader)->id,
            'cover' => Cover::factory()->away($this->staff(Role::Practitioner), $own)->create()->id,
            'share' => CaseShare::factory()->inCase($case)->between($own, $this->staff(Role::Reader))->create()->id,
            'opened' => CaseShare::factory()
                ->inCase($case)
                ->between($own, $this->staff(Role::Reader))
                ->opened()
                ->create()->id,
            'token' => ApiToken::issue($own, 'x', CarbonImmutable::now()->addDay())[0]->id,
            default => (string) Str::uuid7(),
        };
    }

    public function testEveryDoorIsTried(): void
    {
        $shape = static fn(string $method, string $path): string => $method .
            ' ' .
            preg_replace(
                [
                    '/\?.*$/',
                    '#/library/items/rule/(our_)?low#',
                    '#/stages/springs#',
                    '#/programmes/heel_paced#',
                    '#/measures/range_of_motion#',
                    '#/tables/sessions\.csv#',
                    '/\{\w+\}/',
                ],
                ['', '/library/items/{}/{}', '/stages/{}', '/programmes/{}', '/measures/{}', '/tables/{}.csv', '{}'],
                $path,
            );
        $tried = array_map(
            static fn(array $door): string => $shape($door[0], $door[1]),
            array_values(iterator_to_array(self::doors())),
        );
        // Getting in and out is open to anybody, the own account and a file to whoever they belong to; they have tests of their own.
        $open = [
            'POST /api/setup',
            'POST /api/setup/demo',
            'POST /api/session/code',
            'POST /api/password',
            'PUT /api/password',
            'POST /api/join/who',
            'GET /api/account',
            'PUT /api/account/password',
            'POST /api/account/confirmation',
            'POST /api/account/place',
            'POST /api/account/second-factor',
            'PUT /api/account/second-factor',
            'DELETE /api/account/second-factor',
            'POST /api/account/recovery-codes',
            'DELETE /api/account/sign-ins/{}',
            'GET /api/files/{}',
            'DELETE /api/files/{}',
            'GET /api/files/{}/content',
            'GET /api/session',
            'POST /api/session',
            'DELETE /api/session',
            'DELETE /api/sessions',
            'POST /api/join',
        ];
        $found = [];
        foreach (\Illuminate\Support\Facades\Route::getRoutes()->getRoutes() as $route) {
            foreach (
                str_starts_with($route->uri(), 'api/') && $route->uri() !== 'api/{rest}' ? $route->methods() : []
                as $method
            ) {
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
        $typed = Opening::factory()
            ->by($other)
            ->create(['name' => 'Theirs']);
        $this->ask($other, 'POST', '/api/library/items', ['kind' => 'rule', 'key' => 'low'])
            ->assertStatus(201)
            ->assertJsonPath('key', 'our_low');
        $case = $this->caseOf('Juno Tamsin');
        $theirs = self::text(
            $this->ask($other, 'POST', "/api/cases/$foreign->id/papers", ['kind' => 'sheet'])
                ->assertStatus(201)
                ->json('id'),
        );
        // An athlete of another practice cannot be given a case either.
        $this->ask($own, 'POST', '/api/cases', OpeningTest::opening(['athlete' => ['id' => $foreign->athlete_id]]))
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('athlete.id');

        foreach (
            [
                ['GET', "/api/cases/$case->id/papers/$theirs"],
                ['DELETE', "/api/cases/$case->id/papers/$theirs/consent"],
                ['DELETE', "/api/cases/$case->id/papers/$theirs"],
                ['GET', "/api/openings/$typed->id"],
                ['PUT', "/api/openings/$typed->id"],
                ['DELETE', "/api/openings/$typed->id"],
                ['GET', '/api/library/items/rule/our_low'],
                ['DELETE', '/api/library/items/rule/our_low'],
            ]
            as [$method, $path]
        ) {
            $this->ask($own, $method, $path)->assertStatus(404);
        }
        $seen = $this->ask($own, 'GET', '/api/round')->json('cases.*.id');
        self::assertIsArray($seen);
        self::assertCount(14, $seen);
        self::assertNotContains($foreign->id, $seen);

        // The planned session of another practice cannot be named either.
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', '/api/today/sessions/' . Str::uuid7(), [
            'planned' => $planned->id,
            'plan_version' => 1,
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'entries' => [],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('planned');
    }

    public function testAnotherPersonsSessionIsNotFound(): void
    {
        $session = $this->caseOf('Piet Olander')->trainingSessions()->firstOrFail();
        $this->ask($this->athlete('Juno Tamsin'), 'PATCH', "/api/today/sessions/$session->id", [
            'settled_min' => 10,
        ])->assertStatus(404);
    }

    public function testAnIdOfAnotherIsNeitherOverwrittenNorTakenForStored(): void
    {
        $theirs = $this->caseOf('Juno Tamsin', 'Another Practice')->trainingSessions()->firstOrFail();
        $morning = $this->caseOf('Piet Olander')->checkIns()->firstOrFail();
        $juno = $this->athlete('Juno Tamsin');

        $this->ask($juno, 'PUT', "/api/today/sessions/$theirs->id", [
            'plan_version' => 1,
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'entries' => [],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('id');
        $this->ask($juno, 'PUT', "/api/today/check-ins/$morning->id", [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('id');
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
        $draft = [
            'stage' => $plan->json('stage'),
            'prescriptions' => array_replace($asked, [array_replace_recursive($asked[0], ['dose' => ['sets' => 9]])]),
            'why' => 'x',
        ];
        $session = $case->trainingSessions()->firstOrFail();
        // A page that refreshes itself within ten minutes is one reading: this is later.
        CarbonImmutable::setTestNow('2026-04-14T09:00:00+01:00');

        foreach (
            [
                'looked at the Round' => [$own, 'GET', '/api/round', []],
                'looked at a case' => [$own, 'GET', "/api/cases/$case->id", []],
                'looked at a session' => [$own, 'GET', "/api/cases/$case->id/sessions/$session->id", []],
                'asked for second opinions' => [$own, 'GET', "/api/cases/$case->id/opinions", []],
                'previewed a stage' => [$own, 'GET', "/api/cases/$case->id/stages/springs", []],
                'looked at a plan' => [$own, 'GET', "/api/cases/$case->id/plan", []],
                'previewed a plan' => [$own, 'POST', "/api/cases/$case->id/plan/preview", $draft],
                'prescribed' => [$own, 'POST', "/api/cases/$case->id/plan", $draft],
                'decided: note' => [
                    $own,
                    'POST',
                    "/api/cases/$case->id/decisions",
                    ['kind' => 'note', 'reason' => 'x'],
                ],
                'began a visit' => [$own, 'GET', "/api/cases/$case->id/visit", []],
                'ended a visit' => [
                    $own,
                    'POST',
                    "/api/cases/$case->id/visits",
                    ['id' => (string) Str::uuid7(), 'began' => '2026-04-14T09:00:00+01:00', 'note' => 'x'],
                ],
                'recorded a test' => [
                    $own,
                    'POST',
                    "/api/cases/$case->id/tests",
                    [
                        'test' => 'knee_extension_strength',
                        'on' => '2026-04-14',
                        'affected' => 390,
                        'unaffected' => 420,
                        'unit' => 'N',
                    ],
                ],
                'nudged the athlete' => [$own, 'POST', "/api/cases/$case->id/nudges", ['words' => 'Hello']],
                'looked at how the athlete gets in' => [$own, 'GET', "/api/cases/$case->id/invitation", []],
                'invited the athlete' => [$own, 'POST', "/api/cases/$case->id/invitation", []],
                "withdrew the athlete's access" => [$own, 'DELETE', "/api/cases/$case->id/invitation", []],
                'looked at today' => [$juno, 'GET', '/api/today', []],
                'answered the morning' => [
                    $juno,
                    'PUT',
                    '/api/today/check-ins/' . Str::uuid7(),
                    ['at' => '2026-04-14T07:00:00+01:00', 'provocation' => 2],
                ],
            ]
            as $what => [$who, $method, $path, $body]
        ) {
            $lines = fn(): array => AccessLogEntry::query()
                ->whereJsonContains('cases', $case->id)
                ->where('user_id', $who->id)
                ->pluck('what')
                ->all();
            $before = $lines();
            for ($twice = 0; $twice < ($method === 'GET' ? 2 : 1); $twice++) {
                $seen =
                    preg_match('#/(decisions|plan)$#', $path) === 1 ? ['revision' => $case->refresh()->revision] : [];
                $status = $this->ask($who, $method, $path, $body + $seen)->getStatusCode();
                self::assertContains($status, [200, 201], "$method $path");
            }
            self::assertEqualsCanonicalizing(
                [...$before, $what],
                $lines(),
                'once, however often a page refreshes itself',
            );
        }
        // Whose plans are offered for copying is a reading too, of those athletes.
        $offered = AccessLogEntry::query()->where('what', 'looked for a plan to copy')->firstOrFail()->cases;
        self::assertNotContains($case->id, $offered);
        self::assertContains($this->caseOf('Edda Moorgate')->id, $offered);
    }

    public function testSigningInIsThrottledAndTellsNothing(): void
    {
        $try = fn(string $email): int => $this->ask(null, 'POST', '/api/session', [
            'email' => $email,
            'password' => 'wrong',
        ])->getStatusCode();
        self::assertSame(
            [422, 422, 422, 422, 422, 429],
            array_map(static fn(): int => $try('ola.vance@ropewalk.example'), range(1, 6)),
        );
        $unknown = $this->ask(null, 'POST', '/api/session', [
            'email' => 'nobody@ropewalk.example',
            'password' => 'wrong',
        ]);
        $unknown
            ->assertStatus(422)
            ->assertJsonPath('errors.password.0', 'E-mail address and password do not match. Check both.');

        $this->travel(61)->seconds();
        $this->ask(null, 'POST', '/api/session', [
            'email' => 'ola.vance@ropewalk.example',
            'password' => self::PASSWORD,
        ])
            ->assertOk()
            ->assertJsonPath('user.name', 'Ola Vance');
        $this->ask(null, 'DELETE', '/api/session')->assertOk();
        $this->ask(null, 'GET', '/api/session')->assertOk()->assertJsonPath('user', null);
    }
}
