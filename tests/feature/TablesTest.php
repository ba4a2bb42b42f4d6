<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Support\CaseTable;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** What was logged, as tables for a spreadsheet (docs/formats/tables.md). */
final class TablesTest extends TestCase
{
    use AtTheDesk;

    /** @return iterable<string, array{CaseTable}> */
    public static function tables(): iterable
    {
        foreach (CaseTable::cases() as $caseTable) {
            yield $caseTable->value => [$caseTable];
        }
    }

    #[DataProvider('tables')]
    public function testEveryRowOfACaseIsThereUnderItsColumns(CaseTable $table): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $rows = $this->rows("/api/cases/$case->id/tables/$table->value.csv");
        self::assertCount(
            match ($table) {
                CaseTable::Sessions => $case->trainingSessions()->count(),
                CaseTable::Sets => $case
                    ->trainingSessions()
                    ->get()
                    ->sum(
                        static fn($session): int => array_sum(
                            array_map(static fn(array $entry): int => count($entry['sets'] ?? []), $session->entries),
                        ),
                    ),
                CaseTable::Mornings => $case->checkIns()->count(),
                CaseTable::Tests => $case->tests()->count(),
                CaseTable::Scores => $case->outcomes()->count(),
                CaseTable::Decisions => $case->decisions()->count(),
                CaseTable::Plan => count($case->plan()->prescriptions()),
            },
            $rows,
        );
        self::assertNotSame([], $rows);
        foreach ($rows as $row) {
            self::assertSame(
                [$case->id, 'Juno Tamsin', $case->structure_title, $case->side],
                [$row['case'] ?? null, $row['athlete'] ?? null, $row['structure'] ?? null, $row['side'] ?? null],
            );
        }
        self::assertTrue(
            AccessLogEntry::query()
                ->where('what', "exported the table of $table->value")
                ->whereJsonContains('cases', $case->id)
                ->exists(),
        );
    }

    /** A table is as long as it likes: it is sent as it is read, and never held whole. */
    public function testALongTableIsSentWithoutBeingHeld(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $before = $case->checkIns()->count();
        DB::statement(
            <<<'SQL'
            insert into check_ins (id, practice_id, case_id, at, local_on, provocation, signs, late, made_at, created_at)
            select gen_random_uuid(), ?, ?, '2024-01-01'::timestamptz + n * interval '10 minutes', '2024-01-01', 2, '[]', false, now(), now() from generate_series(1, 30000) as n
            SQL
            ,
            [$case->practice_id, $case->id],
        );
        $answer = $this->actingAs($this->practitioner())
            ->get("/api/cases/$case->id/tables/mornings.csv")
            ->assertOk()->baseResponse;
        $lines = 0;
        memory_reset_peak_usage();
        $held = memory_get_usage();
        ob_start(static function (string $part) use (&$lines): string {
            $lines += substr_count($part, "\n");

            return '';
        }, 64 * 1024);
        $answer->sendContent();
        ob_end_clean();
        self::assertSame(1 + $before + 30_000, $lines);
        self::assertLessThan(8 * 1024 * 1024, memory_get_peak_usage() - $held);
    }

    public function testASessionIsShownAsItWasLogged(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $session = $case->trainingSessions()->reorder('started_at', 'desc')->first();
        self::assertNotNull($session);
        $row = collect($this->rows("/api/cases/$case->id/tables/sessions.csv"))->firstWhere('session', $session->id);
        self::assertSame(
            $session->started_at->setTimezone('Europe/Lisbon')->toIso8601String(),
            $row['started_at'] ?? null,
            'by the clock of the practice',
        );
        $pains = array_filter(array_column($session->entries, 'pain'), is_int(...));
        self::assertNotSame([], $pains);
        self::assertSame((string) max([0, ...$pains]), $row['worst_pain'] ?? null);
        $sets = array_values(
            array_filter(
                $this->rows("/api/cases/$case->id/tables/sets.csv"),
                static fn(array $set): bool => $set['session'] === $session->id,
            ),
        );
        $reps = data_get($session->entries, '0.sets.0.reps');
        self::assertIsInt($reps);
        self::assertSame((string) $reps, $sets[0]['reps'] ?? null);
        self::assertNotSame('', $sets[0]['exercise'] ?? '');
    }

    public function testWhatASpreadsheetWouldTakeForAFormulaIsText(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $case->athlete->update(['name' => '=HYPERLINK("x")']);
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'note',
            'reason' => "+1, \"said\"\nand a second line",
            'revision' => $case->refresh()->revision,
        ])->assertStatus(201);
        $rows = $this->rows("/api/cases/$case->id/tables/decisions.csv");
        self::assertSame("'=HYPERLINK(\"x\")", $rows[0]['athlete'] ?? null);
        self::assertContains(
            "'+1, \"said\"\nand a second line",
            array_column($rows, 'reason'),
            'commas, quotation marks and lines stay in their cell',
        );
    }

    public function testAPracticeTakesOutItsOpenCasesAndNoOthers(): void
    {
        $own = $this->practitioner();
        $closed = $this->caseOf('Piet Olander');
        $closed->forceFill(['closed_on' => '2026-04-01'])->save();
        $expected = CareCase::query()
            ->where('practice_id', $own->practice_id)
            ->whereNull('closed_on')
            ->pluck('id')
            ->all();
        self::assertTrue(
            CareCase::query()->where('practice_id', '!=', $own->practice_id)->exists(),
            'there are others',
        );
        $found = array_values(array_unique(array_column($this->rows('/api/tables/mornings.csv'), 'case')));
        self::assertEqualsCanonicalizing($expected, $found);
        $mine = array_values(
            array_unique(array_column($this->rows("/api/tables/mornings.csv?practitioner=$own->id"), 'case')),
        );
        self::assertEqualsCanonicalizing(
            CareCase::query()->where('practitioner_id', $own->id)->whereNull('closed_on')->pluck('id')->all(),
            $mine,
        );
        $this->ask($own, 'GET', '/api/tables/everything.csv')->assertNotFound();
    }

    /** @return list<array<string, string|null>> */
    private function rows(string $path): array
    {
        $answer = $this->ask($this->practitioner(), 'GET', $path)->assertOk();
        self::assertSame('text/csv; charset=utf-8', $answer->headers->get('Content-Type'));
        $text = $answer->streamedContent();
        self::assertTrue(mb_check_encoding($text, 'UTF-8'));
        $file = fopen('php://temp', 'r+b');
        self::assertNotFalse($file);
        fwrite($file, $text);
        rewind($file);
        $head = array_map(static fn(?string $other): string => $other ?? '', fgetcsv($file, escape: '') ?: []);
        $rows = [];
        while (($cells = fgetcsv($file, escape: '')) !== false) {
            self::assertCount(count($head), $cells);
            $rows[] = array_combine($head, $cells);
        }

        return $rows;
    }
}
