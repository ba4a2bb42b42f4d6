<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\CaseShare;
use App\Models\Decision;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/** Whose cases somebody sees: own, shared, of a colleague who is away, and opened with a reason. */
final class SharingTest extends TestCase
{
    public function testEveryListLeavesOutWhatSomebodyDoesNotSee(): void
    {
        $ren = $this->staff(Role::Practitioner);
        $all = CareCase::query()->where('practice_id', $ren->practice_id)->whereNull('closed_on')->count();
        self::assertCount($all, (array) $this->ask($ren, 'GET', '/api/round')->json('cases'));
        $this->ownCasesOnly();
        $own = CareCase::query()->where('practitioner_id', $ren->id)->whereNull('closed_on')->pluck('id')->all();
        self::assertNotCount($all, $own);
        $seen = fn(string $path, string $at): array => array_values(
            array_filter((array) $this->ask($ren, 'GET', $path)->assertOk()->json($at), is_string(...)),
        );
        self::assertEqualsCanonicalizing($own, $seen('/api/round', 'cases.*.id'));
        self::assertSame(count($own), array_sum((array) $this->ask($ren, 'GET', '/api/round')->json('groups')));
        self::assertEqualsCanonicalizing($own, array_values(array_unique($seen('/api/week', 'cases.*.id'))));
        self::assertSame([$ren->id], $seen('/api/round/filters', 'practitioners.*.key'));
        $tables = (string) $this->ask($ren, 'GET', '/api/tables/sessions.csv')->assertOk()->streamedContent();
        foreach (
            CareCase::query()
                ->where('practice_id', $ren->practice_id)
                ->whereNull('closed_on')
                ->with('athlete')
                ->get()
                ->groupBy('athlete_id')
            as $cases
        ) {
            $mine = $cases
                ->whereIn('id', $own)
                ->contains(static fn(CareCase $case): bool => $case->trainingSessions()->exists());
            self::assertSame(
                $mine,
                str_contains($tables, $cases->firstOrFail()->athlete->name),
                $cases->firstOrFail()->athlete->name,
            );
        }
        // An athlete who writes to a colleague does not show here.
        $olas = CareCase::query()->where('practitioner_id', $this->practitioner()->id)->firstOrFail();
        $olas->forceFill(['asked_at' => CarbonImmutable::now()])->save();
        self::assertNotContains($olas->id, $seen('/api/messages', 'threads.*.case'));
        // The owner sees all.
        self::assertCount($all, (array) $this->ask($this->practitioner(), 'GET', '/api/round')->json('cases'));
    }

    public function testOpeningsAndAthletesOfColleaguesAreNotFoundEither(): void
    {
        $ren = $this->staff(Role::Practitioner);
        $ola = $this->practitioner();
        $case = $this->caseOf('Juno Tamsin');
        $typed = self::text(
            $this->ask($ola, 'POST', '/api/openings', ['name' => 'Somebody new', 'step' => 1, 'form' => (object) []])
                ->assertStatus(201)
                ->json('id'),
        );
        $this->ask($ren, 'GET', "/api/openings/$typed")->assertOk();
        self::assertCount(1, (array) $this->ask($ren, 'GET', '/api/athletes?name=juno')->json('athletes'));
        $this->ownCasesOnly();
        $this->ask($ren, 'GET', "/api/openings/$typed")->assertStatus(404);
        $this->ask($ren, 'GET', '/api/openings')->assertJsonMissing(['id' => $typed]);
        self::assertSame([], $this->ask($ren, 'GET', '/api/athletes?name=juno')->json('athletes'));
        $this->ask($ola, 'GET', "/api/openings/$typed")->assertOk();
        // Nor can a second case of the same structure be opened beside one that is not seen.
        $again = OpeningTest::opening([
            'athlete' => ['id' => $case->athlete_id],
            'structure' => $case->structure,
            'side' => $case->side,
        ]);
        $this->ask($ren, 'POST', '/api/cases', $again)->assertStatus(422);
        self::assertSame(
            1,
            CareCase::query()
                ->where('athlete_id', $case->athlete_id)
                ->where('structure', $case->structure)
                ->whereNull('closed_on')
                ->count(),
        );
    }

    public function testAnAssistantSeesAssignedCasesAndEntersThere(): void
    {
        $tove = $this->staff(Role::Assistant);
        $assigned = CaseShare::query()->where('user_id', $tove->id)->pluck('case_id')->all();
        self::assertNotSame([], $assigned);
        self::assertEqualsCanonicalizing($assigned, (array) $this->ask($tove, 'GET', '/api/round')->json('cases.*.id'));
        $case = $assigned[0];
        self::assertIsString($case);
        $this->ask($tove, 'PUT', "/api/cases/$case/check-ins/" . Str::uuid7(), [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
        ])->assertStatus(201);
        $this->ask($tove, 'POST', "/api/cases/$case/decisions", [
            'kind' => 'note',
            'reason' => 'x',
            'revision' => 1,
        ])->assertStatus(403);
        $refused = AccessLogEntry::query()->where('user_id', $tove->id)->where('kind', 'refused')->firstOrFail();
        self::assertSame('was refused: POST api/cases/{case}/decisions', $refused->what);
    }

    public function testAnAssistantDoesNotStrikeOutANoteOfADecision(): void
    {
        $tove = $this->staff(Role::Assistant);
        $case = CareCase::query()
            ->whereIn('id', CaseShare::query()->where('user_id', $tove->id)->select('case_id'))
            ->firstOrFail();
        $note = self::text(
            $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/decisions", [
                'kind' => 'note',
                'reason' => 'x',
                'revision' => $case->refresh()->revision,
            ])
                ->assertStatus(201)
                ->json('id'),
        );
        $this->ask($tove, 'PUT', "/api/cases/$case->id/corrections/" . Str::uuid7(), [
            'what' => 'note',
            'entry' => $note,
            'struck' => true,
            'why' => 'Not what was said',
        ])->assertStatus(403);
    }

    public function testACaseIsSharedUntilADayAndNoLonger(): void
    {
        $this->ownCasesOnly();
        $ren = $this->staff(Role::Practitioner);
        $case = $this->olas();
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus(404);
        $share = fn(array $body): int => $this->ask(
            $this->practitioner(),
            'POST',
            "/api/cases/$case->id/shares",
            $body,
        )->getStatusCode();
        self::assertSame(422, $share(['user' => $this->practitioner()->id]), 'whose it is already');
        self::assertSame(422, $share(['user' => $ren->id, 'until' => '2026-04-13']), 'yesterday');
        self::assertSame(422, $share(['user' => $this->staff(Role::Practitioner, 'Another Practice')->id]));
        self::assertSame(201, $share(['user' => $ren->id, 'until' => '2026-04-16']));
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertOk();
        self::assertContains($case->id, (array) $this->ask($ren, 'GET', '/api/round')->json('cases.*.id'));
        CarbonImmutable::setTestNow('2026-04-16T20:00:00+01:00');
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertOk();
        CarbonImmutable::setTestNow('2026-04-17T08:00:00+01:00');
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus(404);
        self::assertNotContains($case->id, (array) $this->ask($ren, 'GET', '/api/round')->json('cases.*.id'));

        self::assertSame(201, $share(['user' => $ren->id]));
        $shares = $this->ask($ren, 'GET', "/api/cases/$case->id/shares")->assertOk();
        $own = collect((array) $shares->json('shares'))->firstWhere('name', 'Ren Castellan');
        self::assertIsArray($own);
        $this->ask(
            $this->practitioner(),
            'DELETE',
            "/api/cases/$case->id/shares/" . self::text($own['id']),
        )->assertOk();
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus(404);
    }

    public function testWhoStandsInSeesTheCasesFromTheFirstDayToTheLast(): void
    {
        $this->ownCasesOnly();
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $case = $this->olas();
        $cover = ['of' => $ola->id, 'user' => $ren->id, 'from' => '2026-04-20', 'until' => '2026-04-24'];
        $this->ask($ren, 'POST', '/api/covers', $cover)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['of' => 'Choose yourself']);
        $this->ask($ola, 'POST', '/api/covers', ['until' => '2026-04-19'] + $cover)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['until' => 'must not lie before the first']);
        $this->ask($ola, 'POST', '/api/covers', ['user' => $this->staff(Role::Reader)->id] + $cover)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['user']);
        $id = self::text($this->ask($ola, 'POST', '/api/covers', $cover)->assertStatus(201)->json('covers.0.id'));
        foreach (
            ['2026-04-19' => 404, '2026-04-20' => 200, '2026-04-24' => 200, '2026-04-25' => 404]
            as $day => $status
        ) {
            CarbonImmutable::setTestNow("{$day}T12:00:00+01:00");
            $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus($status);
        }
        CarbonImmutable::setTestNow('2026-04-21T12:00:00+01:00');
        $this->ask($ren, 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'note',
            'reason' => 'Seen for Ola',
            'revision' => $case->refresh()->revision,
        ])->assertStatus(201);
        $this->ask($ren, 'DELETE', "/api/covers/$id")->assertStatus(403);
        $this->ask($ola, 'DELETE', "/api/covers/$id")
            ->assertOk()
            ->assertJsonPath('covers', []);
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus(404);
    }

    public function testACaseOfOthersIsOpenedWithAReasonThatTheOwnerAndTheAthleteRead(): void
    {
        $this->ownCasesOnly();
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $case = $this->caseOf('Juno Tamsin');
        self::assertSame($ola->id, $case->practitioner_id);
        $this->ask($ren, 'GET', '/api/other-cases?search=ju')->assertOk()->assertJsonPath('cases', []);
        $this->ask($ren, 'GET', '/api/other-cases?search=juno+tam')
            ->assertOk()
            ->assertJsonPath('cases.0.athlete', 'Juno Tamsin')
            ->assertJsonCount(1, 'cases');
        self::assertContains(
            $case->id,
            AccessLogEntry::query()->where('what', 'looked for a case of others')->firstOrFail()->cases,
        );
        $open = fn(User $who, string $reason): int => $this->ask($who, 'POST', "/api/other-cases/$case->id/opening", [
            'reason' => $reason,
        ])->getStatusCode();
        self::assertSame(422, $open($ren, 'short'));
        self::assertSame(
            404,
            $open($this->staff(Role::Practitioner, 'Another Practice'), 'I would like to look at this'),
        );
        self::assertSame(403, $open($this->staff(Role::Assistant), 'I would like to look at this'));
        self::assertSame(201, $open($ren, 'Juno fell at rehearsal and Ola is on a plane'));
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertOk();

        $notice = (array) $this->ask($ola, 'GET', '/api/practice/people')->json('opened.0');
        self::assertSame(
            ['Ren Castellan', 'Juno Tamsin', 'Juno fell at rehearsal and Ola is on a plane'],
            [$notice['person'], $notice['athlete'], $notice['reason']],
        );
        $this->ask($ola, 'POST', '/api/practice/opened/' . self::text($notice['id']) . '/seen')
            ->assertOk()
            ->assertJsonPath('opened', []);
        $read = (array) $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today/readers')
            ->assertOk()
            ->json('lines');
        self::assertSame(
            ['looked at a case', 'opened a case of others: Juno fell at rehearsal and Ola is on a plane'],
            array_slice(
                array_column(
                    array_filter(
                        $read,
                        static fn(mixed $line): bool => is_array($line) && $line['person'] === 'Ren Castellan',
                    ),
                    'what',
                ),
                0,
                2,
            ),
        );
        CarbonImmutable::setTestNow('2026-04-16T08:00:00+01:00');
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus(404);
    }

    public function testACaseIsHandedOverAndIsTheNewPractitionersOwn(): void
    {
        $this->ownCasesOnly();
        $ren = $this->staff(Role::Practitioner);
        $ola = $this->practitioner();
        $case = CareCase::query()->where('practitioner_id', $ren->id)->whereNull('closed_on')->firstOrFail();
        $hand = fn(User $by, array $body): int => $this->ask(
            $by,
            'PUT',
            "/api/cases/$case->id/practitioner",
            $body,
        )->getStatusCode();
        self::assertSame(422, $hand($ren, ['to' => $ren->id, 'note' => 'x']));
        self::assertSame(422, $hand($ren, ['to' => $this->staff(Role::Assistant)->id, 'note' => 'x']));
        self::assertSame(422, $hand($ren, ['to' => $ola->id]));
        self::assertSame(200, $hand($ren, ['to' => $ola->id, 'note' => 'Back from leave']));
        self::assertSame($ola->id, $case->refresh()->practitioner_id);
        self::assertSame(
            'Back from leave',
            Decision::query()->where('case_id', $case->id)->orderByDesc('at')->orderByDesc('id')->firstOrFail()->reason,
        );
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus(404);
    }

    private function olas(): CareCase
    {
        return CareCase::query()
            ->where('practitioner_id', $this->practitioner()->id)
            ->whereNull('closed_on')
            ->orderBy('id')
            ->firstOrFail();
    }
}
