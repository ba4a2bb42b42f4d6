<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CaseTable;
use App\Support\CatalogueShelf;
use App\Support\Csv;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What was logged, as tables for a spreadsheet: of one case, or of all open ones. */
final class TableController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function one(Request $request, CareCase $case, CaseTable $table): StreamedResponse
    {
        AccessLog::exported(
            self::person($request),
            "exported the table of $table->value",
            [$case->id],
            $case->athlete_id,
        );

        return $this->stream($table, $case->practice_id, static fn(): iterable => [$case]);
    }

    public function all(Request $request, CaseTable $table): StreamedResponse
    {
        $person = self::person($request);
        $practitioner = $request->string('practitioner')->limit(36, '')->value();
        $cases = static fn(): Builder => CareCase::query()
            ->where('practice_id', $person->practice_id)
            ->whereNull('closed_on')
            ->when(
                $practitioner !== '',
                static fn(Builder $query): Builder => $query->whereRaw('practitioner_id::text = ?', [$practitioner]),
            )
            ->orderBy('opened_on')
            ->orderBy('id');
        $ids = array_values(array_filter($cases()->pluck('id')->all(), is_string(...)));
        AccessLog::exported($person, "exported the table of $table->value", $ids);

        return $this->stream(
            $table,
            $person->practice_id,
            static fn(): iterable => $cases()
                ->whereKey($ids)
                ->with(['athlete', 'practice'])
                ->lazy(50),
        );
    }

    /** @param callable(): iterable<CareCase> $cases */
    private function stream(CaseTable $table, string $practice, callable $cases): StreamedResponse
    {
        return Csv::download($table->value, $table->columns(), $practice, function () use ($table, $cases): iterable {
            foreach ($cases() as $case) {
                yield from $table->rows($case, $this->shelf);
            }
        });
    }
}
