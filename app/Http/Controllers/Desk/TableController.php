<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CaseTable;
use App\Support\CatalogueShelf;
use App\Support\Csv;
use App\Support\CurrentPractice;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What was logged, as tables for a spreadsheet: of one case, or of all open ones. */
final class TableController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly CurrentPractice $practice) {}

    public function one(Request $request, CareCase $case, CaseTable $table): StreamedResponse
    {
        Gate::authorize('decide', $case);
        AccessLog::read(self::person($request), $case, "took out the table of $table->value");

        return $this->stream($table, $case->practice_id, static fn(): iterable => [$case]);
    }

    public function all(Request $request, CaseTable $table): StreamedResponse
    {
        $person = self::person($request);
        $practitioner = $request->string('practitioner')->limit(36, '')->value();
        $cases = static fn(): Builder => CareCase::query()->where('practice_id', $person->practice_id)->whereNull('closed_on')
            ->when($practitioner !== '', static fn(Builder $query): Builder => $query->whereRaw('practitioner_id::text = ?', [$practitioner]))->orderBy('opened_on')->orderBy('id');
        $ids = array_values(array_filter($cases()->pluck('id')->all(), is_string(...)));
        AccessLog::readMany($person, "took out the table of $table->value", $ids);

        return $this->stream($table, $person->practice_id, static fn(): iterable => $cases()->whereKey($ids)->with(['athlete', 'practice'])->lazy(50));
    }

    /** @param callable(): iterable<CareCase> $cases */
    private function stream(CaseTable $table, string $practice, callable $cases): StreamedResponse
    {
        // It is sent after the request was left, so it enters the practice anew.
        return new StreamedResponse(fn() => $this->practice->during($practice, function () use ($table, $cases): bool {
            $to = fopen('php://output', 'wb') ?: throw new \RuntimeException('no output');
            Csv::write($to, $table->columns());
            foreach ($cases() as $case) {
                foreach ($table->rows($case, $this->shelf) as $row) {
                    Csv::write($to, $row);
                }
            }

            return fclose($to);
        }), 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"rung-$table->value.csv\"", 'Cache-Control' => 'no-store, private']);
    }
}
