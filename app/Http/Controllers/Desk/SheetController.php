<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\ImportSheet;
use App\Actions\ReadSheet;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\SheetRequest;
use App\Http\Requests\Desk\TakeInSheetRequest;
use App\Http\Resources\SheetPage;
use App\Models\CareCase;
use App\Models\Import;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Sheets of a spreadsheet: looked at, taken in as a whole, taken back. */
final class SheetController extends Controller
{
    public function index(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the sheets that were taken in');

        return new JsonResponse(['imports' => SheetPage::imports($case)]);
    }

    public function read(SheetRequest $request, CareCase $case, ReadSheet $read): JsonResponse
    {
        $match = $request->match();

        return new JsonResponse(SheetPage::present($match, $match->missing() === [] ? $read->read($case, $match) : []));
    }

    public function store(TakeInSheetRequest $request, CareCase $case, ImportSheet $import): JsonResponse
    {
        $taken = $import->handle($case, self::person($request), $request->id(), $request->match());

        return new JsonResponse(
            ['stored' => $taken->entries ?? 0, 'imports' => SheetPage::imports($case)],
            $taken === null ? 200 : 201,
        );
    }

    public function takeBack(Request $request, CareCase $case, string $import, ImportSheet $sheets): JsonResponse
    {
        $sheets->takeBack(
            $case,
            self::person($request),
            Import::query()->where('case_id', $case->id)->findOrFail($import),
        );

        return new JsonResponse(['imports' => SheetPage::imports($case)]);
    }
}
