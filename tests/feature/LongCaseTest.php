<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Care\CaseHistory;
use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\TrainingSession;
use App\Support\Clock;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Evaluation\Evaluator;

/** A case goes on for years: it never grows until it refuses the next session. */
final class LongCaseTest extends TestCase
{
    public function testEightYearsOfSessionsAndTheNextOneIsTaken(): void
    {
        $case = $this->caseOf('Ines Calloway');
        $juno = $this->athlete('Ines Calloway');
        $entry = ['prescription' => null, 'pain' => 2, 'sets' => []];
        $done = (string) json_encode(
            array_fill(0, 8, [
                'prescription' => $case->plan()->prescriptions()[0]->key,
                'pain' => 1,
                'sets' => array_fill(0, 6, ['reps' => 10, 'load_kg' => 20]),
            ]),
        );
        DB::insert(
            <<<'SQL'
            insert into training_sessions (id, practice_id, case_id, plan_version, stage, kind, started_at, ended_at, signs, entries, created_at)
            select gen_random_uuid(), ?, ?, 1, ?, 'loading', moment, moment + interval '40 minutes', '[]', ?::jsonb, moment
            from generate_series(timestamptz '2018-04-14 08:00', timestamptz '2026-04-10 08:00', interval '1 day') as moment
            SQL
            ,
            [$case->practice_id, $case->id, $case->stageEntries()->firstOrFail()->stage, $done],
        );
        DB::table('stage_entries')
            ->where('case_id', $case->id)
            ->orderBy('from')
            ->limit(1)
            ->update(['from' => '2018-04-01']);
        DB::table('cases')
            ->where('id', $case->id)
            ->update(['opened_on' => '2018-04-01']);
        self::assertGreaterThan(150_000, 2900 * (1 + 8 * 7), 'more than a case file may hold');

        $this->ask($juno, 'PUT', '/api/today/sessions/' . Str::uuid7(), [
            'plan_version' => 1,
            'kind' => 'sport',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'minutes' => 40,
            'effort' => 3,
            'entries' => [$entry],
        ])->assertStatus(201);
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->assertOk();
        self::assertLessThan(1000, count(CaseHistory::load($case->refresh())->sessions));
    }

    public function testAnOldStopAndTheFirstScoresStillCount(): void
    {
        $case = $this->caseOf('Ines Calloway');
        $session = TrainingSession::factory()->inCase($case);
        $sign = $session->on('2024-01-03')->withPain(1)->withSign('locking')->create()->id;
        $pain = $session->on('2024-01-04')->withPain(8)->create()->id;
        $plain = $session->on('2024-01-05')->withPain(2)->create()->id;
        $first = CheckIn::factory()->inCase($case)->on('2024-01-02')->scored(4)->create()->id;
        $file = CaseHistory::load($case);
        $ids = array_column($file->sessions, 'id');
        self::assertContains($sign, $ids);
        self::assertContains($pain, $ids);
        self::assertNotContains($plain, $ids);
        self::assertContains($first, array_column($file->check_ins, 'id'));
        // Nobody has looked at it: no loading, however long ago.
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")
            ->assertOk()
            ->assertJsonPath('standing.action', 'stop');
    }

    public function testADayHoldsNoMoreSessionsThanAnybodyDoes(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $send = fn(int $i): int => $this->ask($juno, 'PUT', '/api/today/sessions/' . Str::uuid7(), [
            'plan_version' => 1,
            'kind' => 'sport',
            'started_at' => sprintf('2026-04-13T10:%02d:00+01:00', $i),
            'ended_at' => sprintf('2026-04-13T10:%02d:30+01:00', $i),
            'entries' => [],
        ])->getStatusCode();
        $statuses = array_count_values(array_map($send, range(0, 26)));
        self::assertSame([201, 422], array_keys($statuses));
        self::assertLessThanOrEqual(24, $statuses[201]);
    }

    public function testWhatIsLoadedIsWhatAFileWouldTell(): void
    {
        foreach (CareCase::query()->get()->all() as $case) {
            $loaded = CaseHistory::load($case);
            $read = CaseFile::fromJson((string) json_encode($loaded->toArray()));
            self::assertEquals($read->toArray(), $loaded->toArray());
            $at = Clock::now($case->practice->timezone);
            self::assertEquals(
                Evaluator::evaluate($read, $at)->toArray(),
                Evaluator::evaluate($loaded, $at)->toArray(),
            );
        }
    }
}
