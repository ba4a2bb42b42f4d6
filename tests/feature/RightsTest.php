<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Account;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\Erasure;
use App\Models\Paper;
use App\Models\Role;
use App\Models\User;
use App\Support\ErasedList;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use stdClass;

/** What an athlete may ask for: agreements by purpose, the record set aside, and the record erased or kept without the name. */
final class RightsTest extends TestCase
{
    protected function tearDown(): void
    {
        @unlink(ErasedList::path());
        parent::tearDown();
    }

    public function testAnAgreementHoldsUntilItIsTakenBackAndBothAreKept(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $ola = $this->practitioner();
        $say = fn(array $body): int => $this->ask(
            $ola,
            'POST',
            "/api/cases/$case->id/consents",
            $body + ['purpose' => 'coach', 'given' => true, 'on' => '2026-04-10', 'how' => 'in person'],
        )->getStatusCode();
        self::assertSame(
            [422, 422, 422],
            [$say(['on' => '2026-04-15']), $say(['purpose' => 'selling']), $say(['how' => ''])],
        );
        self::assertSame(201, $say([]));
        $given = fn(): mixed => collect(
            (array) $this->ask($ola, 'GET', "/api/cases/$case->id/rights")
                ->assertOk()
                ->json('purposes'),
        )
            ->pluck('given', 'key')
            ->all();
        self::assertSame(['messages' => null, 'coach' => true, 'referrer' => null, 'teaching' => null], $given());
        self::assertSame(201, $say(['given' => false, 'on' => '2026-04-12', 'how' => 'by telephone']));
        self::assertSame(['messages' => null, 'coach' => false, 'referrer' => null, 'teaching' => null], $given());
        // What is written down later of an earlier day does not undo what came after.
        self::assertSame(201, $say(['on' => '2026-04-11']));
        self::assertSame(['messages' => null, 'coach' => false, 'referrer' => null, 'teaching' => null], $given());
        $this->ask($ola, 'GET', "/api/cases/$case->id/rights")
            ->assertJsonCount(3, 'consents')
            ->assertJsonPath('consents.0', [
                'purpose' => 'Telling the coach what training is allowed',
                'given' => false,
                'on' => '2026-04-12',
                'how' => 'by telephone',
                'by' => 'Ola Vance',
            ]);
    }

    public function testTheDayOfAnAgreementBeginsAsTheDayAtThePractice(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        // Half an hour before midnight in UTC it is the next day in Lisbon.
        CarbonImmutable::setTestNow('2026-04-16T23:30:00Z');
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/rights")->assertJsonPath('today', '2026-04-17');
    }

    public function testWhatTheAthleteDoesNotAgreeToIsNotDone(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $ola = $this->practitioner();
        $say = fn(string $purpose, bool $given): mixed => $this->ask($ola, 'POST', "/api/cases/$case->id/consents", [
            'purpose' => $purpose,
            'given' => $given,
            'on' => '2026-04-14',
            'how' => 'in person',
        ])->assertStatus(201);
        $nudge = fn(): int => $this->ask($ola, 'POST', "/api/cases/$case->id/nudges", [
            'words' => 'Hello',
        ])->getStatusCode();
        $say('messages', false);
        self::assertSame(422, $nudge());
        // Of two of one day the one written down last holds.
        CarbonImmutable::setTestNow('2026-04-14T08:40:00+01:00');
        $say('messages', true);
        self::assertSame(201, $nudge());

        $letter = self::text(
            $this->ask($ola, 'POST', "/api/cases/$case->id/papers", ['kind' => 'coach'])
                ->assertStatus(201)
                ->json('id'),
        );
        Paper::query()
            ->whereKey($letter)
            ->update([
                'signed_version' => 1,
                'signed_by' => $ola->id,
                'signed_at' => CarbonImmutable::now(),
                'consent' => json_encode([
                    'by' => 'Juno',
                    'on' => '2026-04-14',
                    'how' => 'spoken',
                    'diagnosis' => true,
                    'recorded_by' => 'Ola Vance',
                    'recorded_at' => '2026-04-14T08:40:00+01:00',
                ]),
            ]);
        $obstacle = fn(): mixed => $this->ask($ola, 'GET', "/api/cases/$case->id/papers/$letter")->json('obstacle');
        self::assertNull($obstacle());
        $say('referrer', false);
        self::assertNull($obstacle(), 'that is another purpose');
        $say('coach', false);
        self::assertStringStartsWith('The athlete does not agree to it any more', self::text($obstacle()));
        $this->ask($ola, 'POST', "/api/cases/$case->id/papers/$letter/file", ['size' => 'A4'])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('paper');
        CarbonImmutable::setTestNow('2026-04-14T08:50:00+01:00');
        $say('coach', true);
        self::assertNull($obstacle());
    }

    public function testARecordThatIsSetAsideIsLookedAtByTheOwnerAloneAndNothingIsDone(): void
    {
        $case = CareCase::query()
            ->where('practitioner_id', $this->staff(Role::Practitioner)->id)
            ->whereNull('closed_on')
            ->firstOrFail();
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $this->ask($ola, 'PUT', "/api/cases/$case->id/restriction", [
            'restricted' => true,
            'why' => 'Says that the diagnosis is wrong',
        ])
            ->assertOk()
            ->assertJsonPath('restricted.why', 'Says that the diagnosis is wrong');
        $this->ask($ren, 'GET', "/api/cases/$case->id")->assertStatus(404);
        self::assertNotContains($case->id, (array) $this->ask($ren, 'GET', '/api/round')->json('cases.*.id'));
        $this->ask($ola, 'GET', "/api/cases/$case->id")
            ->assertOk()
            ->assertJsonPath('restricted', 'Says that the diagnosis is wrong');
        $note = ['kind' => 'note', 'reason' => 'x', 'revision' => $case->refresh()->revision];
        $this->ask($ola, 'POST', "/api/cases/$case->id/decisions", $note)
            ->assertStatus(403)
            ->assertJsonPath(
                'message',
                'This record is set aside at the athlete’s wish: nothing is decided or entered until it is settled.',
            );
        $this->ask($ola, 'PUT', "/api/cases/$case->id/check-ins/01a21c80-0000-7000-8000-000000000000", [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
        ])->assertStatus(403);
        $athlete = User::query()->where('athlete_id', $case->athlete_id)->firstOrFail();
        $this->ask($athlete, 'GET', '/api/today')->assertOk();

        $this->ask($ola, 'PUT', "/api/cases/$case->id/restriction", [
            'restricted' => false,
            'why' => 'Settled',
        ])->assertOk();
        $this->ask($ren, 'POST', "/api/cases/$case->id/decisions", $note)->assertStatus(201);
    }

    public function testWhoIsErasedWithinTheTimeOfKeepingLosesTheNameEverywhere(): void
    {
        $ola = $this->practitioner();
        $case = $this->caseOf('Juno Tamsin');
        $athlete = $case->athlete_id;
        $account = $this->athlete('Juno Tamsin')->account_id;
        $this->ask($ola, 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'note',
            'reason' => 'Told juno that Tamsin, J. lifts too fast',
            'revision' => $case->refresh()->revision,
        ])->assertStatus(201);
        $this->ask($ola, 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])->assertStatus(201);
        $sessions = $case->trainingSessions()->count();
        $this->ask($ola, 'GET', "/api/cases/$case->id/rights")->assertJson([
            'is_kept' => true,
            'has_open_case' => true,
        ]);
        $erase = fn(string $name): int => $this->ask($ola, 'POST', "/api/cases/$case->id/erasure", [
            'name' => $name,
            'why' => 'Asked by letter of 1 April',
        ])->getStatusCode();
        self::assertSame(422, $erase('Juno Tamsin'), 'a case is open');
        $this->close($athlete);
        self::assertSame(422, $erase('Juno'), 'not the name');
        $answer = $this->ask($ola, 'POST', "/api/cases/$case->id/erasure", [
            'name' => 'juno tamsin',
            'why' => 'Asked by letter of 1 April',
        ])->assertOk();
        $pseudonym = self::text($answer->json('kept_as'));

        self::assertMatchesRegularExpression('/^Athlete [0-9A-F]{6}$/', $pseudonym);
        self::assertSame([], self::placesOf('juno|tamsin', $case->practice_id), 'the name stands nowhere');
        self::assertSame($sessions, $case->trainingSessions()->count(), 'the record is kept');
        self::assertTrue(
            Decision::query()
                ->where('case_id', $case->id)
                ->where('reason', "Told $pseudonym that $pseudonym, J. lifts too fast")
                ->exists(),
        );
        self::assertSame(
            ['erased-' . $account, false],
            [
                Account::query()->whereKey($account)->firstOrFail()->email,
                User::query()->where('athlete_id', $athlete)->firstOrFail()->isActive(),
            ],
        );
        self::assertSame(
            'Asked by letter of 1 April',
            Erasure::query()->where('athlete_id', $athlete)->firstOrFail()->why,
        );
        // The record of access is whole, and contains no name.
        $this->ask($ola, 'GET', "/api/practice/record?athlete=$athlete")
            ->assertOk()
            ->assertJsonPath('lines.0.what', "took the name from a record that is kept as $pseudonym");
    }

    public function testAfterTheTimeOfKeepingNothingIsKept(): void
    {
        $ola = $this->practitioner();
        $case = $this->caseOf('Juno Tamsin');
        [$athlete, $account] = [$case->athlete_id, $this->athlete('Juno Tamsin')->account_id];
        $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->assertOk();
        $this->close($athlete, '2016-04-14');
        $this->ask($ola, 'PUT', '/api/practice/retention', ['kept_years' => 0])->assertStatus(422);
        $this->ask($ola, 'PUT', '/api/practice/retention', ['kept_years' => 11])
            ->assertOk()
            ->assertJsonPath('due', []);
        $due = $this->ask($ola, 'PUT', '/api/practice/retention', ['kept_years' => 10])
            ->assertOk()
            ->json('due');
        self::assertSame([['id' => $athlete, 'name' => 'Juno Tamsin', 'closed_on' => '2016-04-14']], $due);
        // Looking erases nothing; whoever is not due is not erased, though named.
        $this->ask($ola, 'GET', '/api/practice/retention')->assertJsonCount(1, 'due');
        $piet = $this->caseOf('Piet Olander')->athlete_id;
        $this->ask($ola, 'POST', '/api/practice/retention', ['athletes' => [$athlete, $piet]])
            ->assertOk()
            ->assertJson(['due' => [], 'erased' => 1]);

        self::assertSame([], self::placesOf('juno|tamsin', $case->practice_id));
        self::assertSame(
            [],
            self::placesOf($case->id, $case->practice_id, ['access_log', 'sessions']),
            'nothing of the case is left',
        );
        self::assertNull(Account::query()->find($account));
        self::assertNotNull(Athlete::query()->find($piet));
        $this->ask($ola, 'GET', '/api/practice/record?kind=read')->assertOk();
    }

    public function testErasedRowsStayErasedAfterABackupIsRestored(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $piet = $this->caseOf('Piet Olander');
        // As the list stands when the database is that of before.
        ErasedList::add($case->practice_id, $case->athlete_id, 'Athlete ABC123');
        ErasedList::add($piet->practice_id, $piet->athlete_id, null);
        Artisan::call('rung:erase-again');
        self::assertStringContainsString('2 who were erased', Artisan::output());
        self::assertSame('Athlete ABC123', Athlete::query()->findOrFail($case->athlete_id)->getAttribute('name'));
        self::assertNull(Athlete::query()->find($piet->athlete_id));
        Artisan::call('rung:erase-again');
        self::assertSame('', Artisan::output(), 'once is enough');
    }

    /** @return iterable<string, array{string}> */
    public static function notAllowed(): iterable
    {
        yield 'an athlete of another practice' => [
            'select erase_athlete((select id from athletes where practice_id <> nullif(current_setting(\'rung.practice\'), \'\')::uuid limit 1), null)',
        ];
        yield 'past the function' => ["select set_config('rung.erasing', 'yes', true); delete from decisions"];
    }

    #[DataProvider('notAllowed')]
    public function testTheApplicationErasesNobodyElse(string $statement): void
    {
        $practice = $this->practitioner()->practice_id;
        $this->expectExceptionMessageMatches('/no such athlete|permission denied/');
        app(\App\Support\CurrentPractice::class)->during($practice, static fn() => DB::unprepared($statement));
    }

    private function close(string $athlete, string $on = '2026-04-13'): void
    {
        CareCase::query()
            ->where('athlete_id', $athlete)
            ->update(['closed_on' => $on, 'opened_on' => '2015-01-01']);
    }

    /**
     * Every table and column of a practice in which something stands.
     *
     * @param list<string> $without
     *
     * @return list<string>
     */
    private static function placesOf(string $what, string $practice, array $without = []): array
    {
        $found = [];
        $columns = DB::select("select c.table_name as t, c.column_name as c from information_schema.columns c where c.table_schema = 'public' and c.data_type in ('text', 'character varying', 'jsonb', 'json', 'uuid')
            and exists (select 1 from information_schema.columns p where p.table_name = c.table_name and p.column_name = 'practice_id')");
        foreach ($columns as $column) {
            if (
                $column instanceof stdClass &&
                is_string($column->t) &&
                is_string($column->c) &&
                !in_array($column->t, $without, true) &&
                DB::table($column->t)
                    ->where('practice_id', $practice)
                    ->whereRaw("\"$column->c\"::text ~* ?", ["\\m($what)\\M"])
                    ->exists()
            ) {
                $found[] = "$column->t.$column->c";
            }
        }

        return $found;
    }
}
