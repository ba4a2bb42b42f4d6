<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessKind;
use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\Role;
use App\Support\AccessChain;
use App\Support\AccessLog;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** The record of access: shown to the owner and, for their own data, to the athlete; chained so that nothing is lost unseen. */
final class AccessRecordTest extends TestCase
{
    public function testTheOwnerNarrowsItToAPersonAnAthleteAKindAndDays(): void
    {
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $juno = $this->caseOf('Juno Tamsin');
        $piet = $this->caseOf('Piet Olander');
        $this->ask($ola, 'GET', "/api/cases/$juno->id")->assertOk();
        $this->ask($ren, 'GET', "/api/cases/$piet->id")->assertOk();
        $this->ask($ren, 'GET', "/api/cases/$piet->id/file")->assertOk();
        $this->ask($ren, 'PUT', '/api/practice', [])->assertStatus(403);
        $lines = fn(string $query): array => array_map(
            static fn(mixed $value): array => is_array($value) ? [$value['person'], $value['what']] : [],
            (array) $this->ask($ola, 'GET', "/api/practice/record$query")
                ->assertOk()
                ->json('lines'),
        );

        $all = $lines('');
        self::assertSame(['Ren Castellan', 'was refused: PUT api/practice'], $all[0], 'the newest first');
        self::assertSame(
            [
                ['Ren Castellan', 'was refused: PUT api/practice'],
                ['Ren Castellan', 'exported the case file'],
                ['Ren Castellan', 'looked at a case'],
            ],
            array_values(array_filter($lines("?person=$ren->id"), static fn(array $row): bool => $row !== [])),
        );
        self::assertSame([['Ola Vance', 'looked at a case']], $lines("?athlete=$juno->athlete_id"));
        self::assertSame([['Ren Castellan', 'exported the case file']], $lines('?kind=export'));
        self::assertSame([], $lines('?until=2026-04-13'));
        self::assertCount(3, $lines("?person=$ren->id&from=2026-04-14&until=2026-04-14"));
        // Reading it stands in it too.
        self::assertContains(['Ola Vance', 'looked at the record of who saw what'], $lines("?person=$ola->id"));
        foreach (['person=x', 'athlete=x', 'kind=x', 'from=yesterday', 'before=x'] as $wrong) {
            $this->ask($ola, 'GET', "/api/practice/record?$wrong")
                ->assertStatus(422)
                ->assertJsonValidationErrorFor(explode('=', $wrong)[0]);
        }
        $this->ask(
            $this->practitioner('Another Practice'),
            'GET',
            "/api/practice/record?person=$ren->id",
        )->assertJsonPath('lines', []);
    }

    public function testALookAtManyIsFoundUnderEachOfThem(): void
    {
        $ren = $this->staff(Role::Practitioner);
        $juno = $this->caseOf('Juno Tamsin');
        $this->ask($ren, 'GET', '/api/round')->assertOk();
        $this->ask(
            $this->practitioner(),
            'GET',
            "/api/practice/record?athlete=$juno->athlete_id&person=$ren->id",
        )->assertJsonPath('lines.0.what', 'looked at the Round');
        // A search of athletes is a look at those who are found.
        $this->ask($ren, 'GET', '/api/athletes?name=juno')->assertOk();
        self::assertSame(
            [$juno->id],
            array_values(
                array_intersect(
                    [$juno->id],
                    AccessLogEntry::query()->where('what', 'looked for an athlete')->firstOrFail()->cases,
                ),
            ),
        );
    }

    public function testItIsReadPageByPage(): void
    {
        $ola = $this->practitioner();
        for ($i = 1; $i <= 120; $i++) {
            AccessLog::note($ola, AccessKind::Settings, "changed $i");
        }
        $seen = [];
        $before = null;
        do {
            $page = $this->ask(
                $ola,
                'GET',
                '/api/practice/record?kind=settings' . ($before === null ? '' : "&before=$before"),
            )->assertOk();
            $before = $page->json('next');
            array_push($seen, ...array_column((array) $page->json('lines'), 'what'));
        } while (is_int($before));
        self::assertSame(array_map(static fn(int $i): string => "changed $i", range(120, 1)), $seen);
    }

    public function testItIsTakenOutAsATable(): void
    {
        $ola = $this->practitioner();
        AccessLog::note($ola, AccessKind::People, '=HYPERLINK("x")', ['was' => 'a', 'is' => 'b']);
        $csv = $this->ask($ola, 'GET', '/api/practice/record.csv?kind=people')->assertOk()->streamedContent();
        self::assertSame(
            [
                'at,person,role,kind,what,athletes,details',
                '2026-04-14T08:30:00+01:00,"Ola Vance",Owner,people,"\'=HYPERLINK(""x"")",,"{""is"":""b"",""was"":""a""}"',
            ],
            explode("\r\n", trim($csv)),
        );
        self::assertSame(
            AccessKind::Export,
            AccessLogEntry::query()->where('what', 'exported the record of who saw what')->firstOrFail()->kind,
        );
    }

    public function testAnAthleteSeesWhoOfThePracticeLookedAndNobodyElse(): void
    {
        $ola = $this->practitioner();
        $juno = $this->caseOf('Juno Tamsin');
        $this->ask($ola, 'GET', "/api/cases/$juno->id")->assertOk();
        $this->ask($ola, 'GET', "/api/cases/{$this->caseOf('Piet Olander')->id}/file")->assertOk();
        $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->assertOk();
        $lines = $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today/readers')->assertOk()->json('lines');
        self::assertSame(
            [
                [
                    'at' => '2026-04-14T08:30:00+01:00',
                    'person' => 'Ola Vance',
                    'role' => 'Owner',
                    'what' => 'looked at a case',
                ],
            ],
            $lines,
        );
    }

    public function testSettingsAndTheLibraryAreInIt(): void
    {
        $ola = $this->practitioner();
        $this->ask($ola, 'PUT', '/api/practice', ['telephone' => '+351 210 000 001', 'hours' => null])->assertOk();
        $line = AccessLogEntry::query()->where('kind', AccessKind::Settings)->firstOrFail();
        self::assertEquals(
            [
                'was' => ['telephone' => '+351 210 000 000', 'hours' => 'Monday to Friday, 9:00 to 18:00'],
                'is' => ['telephone' => '+351 210 000 001', 'hours' => null],
            ],
            $line->details,
        );
        $this->ask($ola, 'POST', '/api/library/items', ['kind' => 'rule', 'key' => 'low'])->assertStatus(201);
        self::assertSame(
            'copied the rule “our_low”',
            AccessLogEntry::query()->where('kind', AccessKind::Library)->firstOrFail()->what,
        );
    }

    public function testAPracticeSetsItsNameZoneWordsAndEquipment(): void
    {
        $ola = $this->practitioner();
        $set = fn(array $body): TestResponse => $this->ask(
            $ola,
            'PUT',
            '/api/practice',
            $body + ['telephone' => '+351 210 000 000', 'hours' => 'Monday to Friday, 9:00 to 18:00'],
        );
        foreach (
            [['name' => ''], ['timezone' => 'Europe/Atlantis'], ['nudge_words' => str_repeat('x', 601)]]
            as $wrong
        ) {
            $set($wrong)->assertStatus(422)->assertJsonValidationErrorFor(array_keys($wrong)[0]);
        }
        $set(['equipment' => ['a flying carpet']])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['equipment.0' => 'Choose what is at hand of what the library knows']);
        $known = (array) $this->ask($ola, 'GET', '/api/practice')->json('all_equipment');
        $set([
            'name' => 'Ropewalk',
            'timezone' => 'Europe/Madrid',
            'nudge_words' => 'Dear {name}, how was the morning?',
            'equipment' => [$known[0]],
        ])
            ->assertOk()
            ->assertJson(['name' => 'Ropewalk', 'timezone' => 'Europe/Madrid', 'equipment' => [$known[0]]]);
        $line = AccessLogEntry::query()->where('kind', AccessKind::Settings)->firstOrFail();
        self::assertSame('Europe/Lisbon', data_get($line->details, 'was.timezone'));
        self::assertArrayNotHasKey('telephone', (array) data_get($line->details, 'is'), 'what stays is not listed');
        // What stays as it is is no change.
        $set([])->assertOk();
        self::assertSame(1, AccessLogEntry::query()->where('kind', AccessKind::Settings)->count());
        $silent = CareCase::query()
            ->where('attention_group', 'silent')
            ->where('practice_id', $ola->practice_id)
            ->firstOrFail();
        $this->ask($ola, 'GET', "/api/cases/$silent->id")->assertJsonPath(
            'nudge_words',
            'Dear ' . explode(' ', $silent->athlete->name)[0] . ', how was the morning?',
        );
    }

    public function testEveryLineGetsALinkThatHoldsTheOneBefore(): void
    {
        $ola = $this->practitioner();
        foreach (['one', 'two', 'three'] as $what) {
            AccessLog::note($ola, AccessKind::Settings, $what);
        }
        // Links are made where a transaction ends; tests take theirs back, so it is asked for.
        DB::statement('set constraints all immediate');
        $chain = app(AccessChain::class);
        self::assertSame([], $chain->faults($ola->practice_id));
        $newest = $chain->newest($ola->practice_id);
        self::assertNotNull($newest);
        self::assertTrue($chain->holds($ola->practice_id, $newest['number'], $newest['hash']));
        self::assertFalse($chain->holds($ola->practice_id, $newest['number'] - 1, $newest['hash']));
        $last = DB::table('access_log_links')
            ->where('practice_id', $ola->practice_id)
            ->orderByDesc('number')
            ->limit(3)
            ->pluck('hash')
            ->all();
        self::assertCount(3, array_unique(array_map(self::text(...), $last)));
    }

    public function testTheApplicationItselfWritesNoLink(): void
    {
        $this->expectException(QueryException::class);
        $this->expectExceptionMessageMatches('/permission denied for table access_log_links/');
        DB::table('access_log_links')->insert([
            'practice_id' => $this->practitioner()->practice_id,
            'number' => 1,
            'entry' => 1,
            'hash' => 'x',
        ]);
    }
}
