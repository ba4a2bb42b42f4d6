<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\Opening;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Nothing without sign-in and permission, and nothing across practices. */
final class PermissionsTest extends TestCase
{
    /** @return iterable<string, array{string, string, bool}> method, path, whether it is the practitioner's */
    public static function doors(): iterable
    {
        yield 'the Round' => ['GET', '/api/round', true];
        yield 'the athletes' => ['GET', '/api/athletes', true];
        yield 'openings' => ['GET', '/api/openings', true];
        yield 'leaving an opening' => ['POST', '/api/openings', true];
        yield 'an opening' => ['GET', '/api/openings/{opening}', true];
        yield 'typing on' => ['PUT', '/api/openings/{opening}', true];
        yield 'discarding an opening' => ['DELETE', '/api/openings/{opening}', true];
        yield 'a start' => ['POST', '/api/start-proposals', true];
        yield 'opening a case' => ['POST', '/api/cases', true];
        yield 'the library' => ['GET', '/api/library', true];
        yield 'searching it' => ['GET', '/api/library/search?q=hold', true];
        yield 'comparing' => ['GET', '/api/library/compare?kind=rule&a=low&b=heavy', true];
        yield 'the library file' => ['GET', '/api/library/file', true];
        yield 'taking in a file' => ['POST', '/api/library/file', true];
        yield 'copying' => ['POST', '/api/library/items', true];
        yield 'an item' => ['GET', '/api/library/items/rule/low', true];
        yield 'saving an item' => ['PUT', '/api/library/items/rule/our_low', true];
        yield 'withdrawing an item' => ['DELETE', '/api/library/items/rule/our_low', true];
        yield 'a case' => ['GET', '/api/cases/{case}', true];
        yield 'a test' => ['POST', '/api/cases/{case}/tests', true];
        yield 'a decision' => ['POST', '/api/cases/{case}/decisions', true];
        yield 'the filters of the Round' => ['GET', '/api/round/filters', true];
        yield 'taking a decision back' => ['DELETE', '/api/cases/{case}/decisions/{id}', true];
        yield 'a nudge' => ['POST', '/api/cases/{case}/nudges', true];
        yield 'a session told' => ['GET', '/api/cases/{case}/sessions/{id}', true];
        yield 'second opinions' => ['GET', '/api/cases/{case}/opinions', true];
        yield 'a plan' => ['GET', '/api/cases/{case}/plan', true];
        yield 'a preview' => ['POST', '/api/cases/{case}/plan/preview', true];
        yield 'prescribing' => ['POST', '/api/cases/{case}/plan', true];
        yield 'how an athlete gets in' => ['GET', '/api/cases/{case}/invitation', true];
        yield 'inviting' => ['POST', '/api/cases/{case}/invitation', true];
        yield 'withdrawing access' => ['DELETE', '/api/cases/{case}/invitation', true];
        yield 'a calendar to subscribe to' => ['POST', '/api/today/calendar', false];
        yield 'today' => ['GET', '/api/today', false];
        yield 'a session' => ['PUT', '/api/today/sessions/{id}', false];
        yield 'settling' => ['PATCH', '/api/today/sessions/{id}', false];
        yield 'a morning' => ['PUT', '/api/today/check-ins/{id}', false];
    }

    #[DataProvider('doors')]
    public function testADoorOpensForItsPeopleAlone(string $method, string $path, bool $desk): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $opening = Opening::query()->create(['practice_id' => $case->practice_id, 'practitioner_id' => $case->practitioner_id, 'name' => 'Somebody', 'step' => 1, 'form' => (object) []]);
        $path = strtr($path, ['{opening}' => $opening->id, '{case}' => $case->id, '{id}' => (string) Str::uuid7()]);

        $this->ask(null, $method, $path)->assertStatus(401)->assertJsonStructure(['message']);
        $wrong = $desk ? $this->athlete('Juno Tamsin') : $this->practitioner();
        $this->ask($wrong, $method, $path)->assertStatus(403);
        $right = $desk ? $this->practitioner() : $this->athlete('Juno Tamsin');
        self::assertNotContains($this->ask($right, $method, $path)->getStatusCode(), [401, 403]);
    }

    public function testPracticesNeverSeeEachOther(): void
    {
        $foreign = $this->caseOf('Juno Tamsin', 'Another Practice');
        $planned = $foreign->plannedSessions()->firstOrFail();
        $own = $this->practitioner();
        $other = $this->practitioner('Another Practice');
        $typed = Opening::query()->create(['practice_id' => $other->practice_id, 'practitioner_id' => $other->id, 'name' => 'Theirs', 'step' => 2, 'form' => (object) []]);
        $this->ask($other, 'POST', '/api/library/items', ['kind' => 'rule', 'key' => 'low'])->assertStatus(201)->assertJsonPath('key', 'our_low');
        // An athlete of another practice cannot be given a case either.
        $this->ask($own, 'POST', '/api/cases', OpeningTest::opening(['athlete' => ['id' => $foreign->athlete_id]]))->assertStatus(422)->assertJsonValidationErrorFor('athlete.id');

        foreach ([['GET', "/api/cases/$foreign->id"], ['POST', "/api/cases/$foreign->id/tests"], ['POST', "/api/cases/$foreign->id/decisions"], ['DELETE', "/api/cases/$foreign->id/decisions/$foreign->id"],
            ['POST', "/api/cases/$foreign->id/nudges"], ['GET', "/api/cases/$foreign->id/sessions/$foreign->id"], ['GET', "/api/cases/$foreign->id/opinions"],
            ['GET', "/api/cases/$foreign->id/invitation"], ['POST', "/api/cases/$foreign->id/invitation"], ['DELETE', "/api/cases/$foreign->id/invitation"],
            ['GET', "/api/cases/$foreign->id/plan"], ['POST', "/api/cases/$foreign->id/plan"], ['POST', "/api/cases/$foreign->id/plan/preview"],
            ['GET', "/api/openings/$typed->id"], ['PUT', "/api/openings/$typed->id"], ['DELETE', "/api/openings/$typed->id"],
            ['GET', '/api/library/items/rule/our_low'], ['DELETE', '/api/library/items/rule/our_low']] as [$method, $path]) {
            $this->ask($own, $method, $path)->assertStatus(404);
        }
        $seen = $this->ask($own, 'GET', '/api/round')->json('cases.*.id');
        self::assertIsArray($seen);
        self::assertCount(13, $seen);
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
            'looked at a plan' => [$own, 'GET', "/api/cases/$case->id/plan", []],
            'previewed a plan' => [$own, 'POST', "/api/cases/$case->id/plan/preview", $draft],
            'prescribed' => [$own, 'POST', "/api/cases/$case->id/plan", $draft],
            'decided: note' => [$own, 'POST', "/api/cases/$case->id/decisions", ['kind' => 'note', 'reason' => 'x']],
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
