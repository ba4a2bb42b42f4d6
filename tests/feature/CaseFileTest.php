<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Care\CaseHistory;
use App\Models\AccessLogEntry;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Support\Clock;
use Illuminate\Testing\TestResponse;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Time\Moment;

/** A case goes out as an open file and comes in again. */
final class CaseFileTest extends TestCase
{
    use AtTheDesk;

    public function testEveryCaseOfThePracticeComesInAsItWentOut(): void
    {
        $cases = CareCase::query()
            ->with('athlete')
            ->where('practice_id', $this->practitioner()->practice_id)
            ->whereNull('closed_on')
            ->get();
        self::assertGreaterThan(10, $cases->count());
        foreach ($cases as $case) {
            $file = $this->file($case);
            $made = $this->ask($this->practitioner(), 'POST', '/api/import', $file)->assertStatus(201);
            $copy = CareCase::query()->findOrFail(self::text($made->json('id')));
            self::assertNotSame(
                $case->athlete_id,
                $copy->athlete_id,
                'nobody is taken for somebody else by their name',
            );
            self::assertSame($case->athlete->name, $copy->athlete->name);
            // What is asked for from today on is filled in again by the calendar; what was done is as it was.
            foreach (['2026-04-14T12:00:00+01:00', '2026-04-28T12:00:00+01:00'] as $at) {
                self::assertSame(
                    $this->evaluated($case, $at),
                    $this->evaluated($copy, $at),
                    "{$case->athlete->name}, $case->structure_title",
                );
            }
            self::assertSame($case->programme, $copy->programme);
            $plan = static fn(CareCase $of): array => array_column(
                (array) json_decode((string) json_encode($of->plan()->toArray()['stages'] ?? []), true),
                'rhythm',
                'key',
            );
            self::assertSame($plan($case), $plan($copy), 'with the calendar of its programme');
            self::assertTrue(
                PlannedSession::query()->where('case_id', $copy->id)->where('on', '>=', '2026-04-14')->exists() ||
                    $case->isStopped() ||
                    !PlannedSession::query()
                        ->where('case_id', $case->id)
                        ->where('withdrawn', false)
                        ->where('on', '>=', '2026-04-14')
                        ->exists(),
            );
            self::assertStringStartsWith(
                'Taken in from a case file: ',
                self::text($copy->decisions()->firstOrFail()->words),
            );
        }
        self::assertTrue(AccessLogEntry::query()->where('what', 'exported the case file')->exists());
        self::assertTrue(AccessLogEntry::query()->where('what', 'took in a case file')->exists());
    }

    /** A health record says more about people than a case file, and comes in as the same case. */
    public function testAHealthRecordGoesOutAndComesIn(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $case->athlete->update(['born_on' => '1999-08-02']);
        $answer = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/health-record")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/fhir+json');
        $bundle = (array) $answer->json();
        self::assertArrayHasKey('entry', $bundle);
        /** @var array<string, mixed> $bundle */
        $resources = array_column((array) $bundle['entry'], 'resource');
        self::assertSame('1999-08-02', data_get($resources, '0.birthDate'));
        self::assertSame(
            ['Ola Vance', 'Ropewalk Circus School'],
            [data_get($resources, '1.practitioner.display'), data_get($resources, '1.organization.display')],
        );
        self::assertContains('Knee in four stages', array_column($resources, 'title'));

        $preview = $this->preview($bundle)->assertOk();
        self::assertSame('Juno Tamsin', $preview->json('athlete'));
        self::assertSame(data_get($case->round_line, 'headline'), $preview->json('headline'));
        $copy = CareCase::query()->findOrFail(
            self::text(
                $this->ask($this->practitioner(), 'POST', '/api/import', $bundle)->assertStatus(201)->json('id'),
            ),
        );
        self::assertSame(
            $this->evaluated($case, '2026-04-14T12:00:00+01:00'),
            $this->evaluated($copy, '2026-04-14T12:00:00+01:00'),
        );
        self::assertTrue(AccessLogEntry::query()->where('what', 'exported the health record')->exists());

        $this->preview(['resourceType' => 'Bundle', 'entry' => []])->assertStatus(422);
    }

    public function testAFileIsLookedAtBeforeItIsTakenIn(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $file = $this->file($case);
        $before = CareCase::query()->count();
        $preview = $this->preview($file)->assertOk();
        self::assertSame($before, CareCase::query()->count(), 'nothing is stored');
        self::assertSame('Juno Tamsin', $preview->json('athlete'));
        self::assertSame([$case->athlete_id], array_column((array) $preview->json('same'), 'id'));
        self::assertSame(
            $case->trainingSessions()->where('superseded', false)->count(),
            $preview->json('counts.0.count'),
        );
        self::assertSame(
            data_get($case->round_line, 'headline'),
            $preview->json('headline'),
            'it stands as the case does',
        );
        self::assertNotNull($preview->json('programme'));
        self::assertCount(1, (array) $preview->json('notes'));
    }

    public function testAFileOfOtherStagesGetsACalendarThatIsNamed(): void
    {
        $file = $this->file($this->caseOf('Juno Tamsin'));
        $text = str_replace(
            ['"slow"', '"holds"'],
            ['"built"', '"held"'],
            (string) json_encode(['timezone' => 'America/New_York'] + $file),
        );
        /** @var array<string, mixed> $file */
        $file = json_decode($text, true);
        $preview = $this->preview($file)->assertOk();
        $notes = implode(' ', self::texts($preview->json('notes')));
        self::assertStringContainsString('the file has no calendar', $notes);
        self::assertStringContainsString('Its days are those of America/New_York', $notes);
        $case = CareCase::query()->findOrFail(
            self::text($this->ask($this->practitioner(), 'POST', '/api/import', $file)->assertStatus(201)->json('id')),
        );
        self::assertTrue(
            PlannedSession::query()->where('case_id', $case->id)->where('on', '>=', '2026-04-14')->exists(),
            'and it is planned by it',
        );
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->assertOk();
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/weeks")->assertOk();
        $this->ask($this->practitioner(), 'GET', '/api/round')->assertOk();
    }

    public function testWhatCannotBeTakenInIsRefusedAtItsPlace(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $file = $this->file($case);
        $before = [CareCase::query()->count(), Athlete::query()->count()];
        $take = fn(array $file, string $athlete = ''): TestResponse => $this->ask(
            $this->practitioner(),
            'POST',
            "/api/import?athlete=$athlete",
            $file,
        )->assertStatus(422);
        $take(['format' => 'something/1'] + $file)->assertJsonValidationErrorFor('format');
        $take($file, $case->athlete_id)->assertJsonValidationErrors([
            'case.structure' => 'a case of this athlete that is open',
        ]);
        $take($file, $case->id)->assertJsonValidationErrors(['athlete' => 'must be an athlete of this practice']);
        $take(self::with($file, 'check_ins.0.at', '2026-04-15T12:00:00+01:00'))->assertJsonValidationErrors([
            'sessions' => 'must not lie in the future',
        ]);
        $take(self::with($file, 'sessions.3.entries.0.pain', 14))->assertJsonValidationErrorFor(
            'sessions.3.entries.0.pain',
        );
        self::assertSame($before, [CareCase::query()->count(), Athlete::query()->count()], 'and nothing of it stays');
    }

    public function testWhoComesInByAFileCanBeInvited(): void
    {
        $made = $this->ask(
            $this->practitioner(),
            'POST',
            '/api/import',
            $this->file($this->caseOf('Juno Tamsin')),
        )->assertStatus(201);
        $case = self::text($made->json('id'));
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case/invitation")->assertOk();
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case/invitation")->assertStatus(201);
        $file = $this->file($this->caseOf('Juno Tamsin'));
        $this->ask(
            $this->practitioner(),
            'POST',
            '/api/import',
            self::with($file, 'athlete.name', str_repeat('n', 121)),
        )
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('athlete.name');
    }

    public function testAnUnknownBodyMassIsTakenFromTheFileAndAKnownOneStands(): void
    {
        $file = self::with(
            self::with($this->file($this->caseOf('Juno Tamsin')), 'case.side', 'right'),
            'athlete.body_mass_kg',
            77,
        );
        $known = $this->caseOf('Edda Moorgate')->athlete;
        $mass = $known->body_mass_kg;
        self::assertNotNull($mass);
        $unknown = Athlete::query()->create(['practice_id' => $known->practice_id, 'name' => 'Somebody New']);
        $this->ask($this->practitioner(), 'POST', "/api/import?athlete=$unknown->id", $file)->assertStatus(201);
        $this->ask(
            $this->practitioner(),
            'POST',
            "/api/import?athlete=$known->id",
            self::with($file, 'case.side', 'left'),
        )->assertStatus(201);
        self::assertEquals([77, $mass], [$unknown->refresh()->body_mass_kg, $known->refresh()->body_mass_kg]);
    }

    public function testAFileComesInForAnAthleteWhoIsThere(): void
    {
        $juno = $this->caseOf('Juno Tamsin');
        $file = $this->file($juno);
        $piet = $this->caseOf('Piet Olander');
        $case = CareCase::query()->findOrFail(
            self::text(
                $this->ask(
                    $this->practitioner(),
                    'POST',
                    "/api/import?athlete=$piet->athlete_id",
                    ['case' => ['side' => 'left'] + (array) $file['case']] + $file,
                )
                    ->assertStatus(201)
                    ->json('id'),
            ),
        );
        self::assertSame($piet->athlete_id, $case->athlete_id);
    }

    /**
     * @param array<string, mixed> $file
     *
     * @return array<string, mixed>
     */
    private static function with(array $file, string $place, mixed $value): array
    {
        data_set($file, $place, $value);

        /** @var array<string, mixed> */
        return (array) $file;
    }

    /** @return array<string, mixed> */
    private function file(CareCase $case): array
    {
        $answer = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/file")->assertOk();
        self::assertStringContainsString('.json', self::text($answer->headers->get('Content-Disposition')));
        // It is what bin/rung reads.
        CaseFile::fromJson((string) $answer->getContent());

        /** @var array<string, mixed> */
        return (array) $answer->json();
    }

    /**
     * @param array<string, mixed> $file
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function preview(array $file): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', '/api/import/preview', $file);
    }

    /** How a case stands at a moment, whatever its rows are called; of days to come the calendar may differ. */
    private function evaluated(CareCase $case, string $at): string
    {
        $whole = CaseHistory::whole($case->refresh());
        $today = Clock::today($case->practice->timezone);
        $file = $whole->with([
            'planned' => array_values(
                array_filter($whole->planned, static fn($planned): bool => $today->isAfter($planned->on)),
            ),
        ]);
        $names = [];

        return (string) preg_replace_callback(
            '/[0-9a-f]{8}-[0-9a-f-]{27}/',
            static function (array $found) use (&$names): string {
                $names[$found[0]] ??= 'row ' . count($names);

                return $names[$found[0]];
            },
            (string) json_encode(Evaluator::evaluate($file, Moment::fromIso($at))->toArray(), JSON_PRETTY_PRINT),
        );
    }
}
