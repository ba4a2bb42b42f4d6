<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\ImportCase;
use App\Care\CaseHistory;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\CaseFilePage;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Rung\Core\CaseFile\CaseFile;

/** A case as an open file (docs/formats/case-file.md): taken out, looked at, taken in. */
final class CaseFileController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function show(Request $request, CareCase $case): JsonResponse
    {
        Gate::authorize('decide', $case);
        AccessLog::read(self::person($request), $case, 'took out the case file');
        $name = Str::slug("{$case->athlete->name} $case->structure_title") . '.json';

        return (new JsonResponse(CaseHistory::whole($case)->toArray()))->setEncodingOptions(JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)
            ->header('Content-Disposition', "attachment; filename=\"$name\"");
    }

    /** What a file holds, and what would be made of it; nothing is stored. */
    public function preview(Request $request): JsonResponse
    {
        $person = self::person($request);
        $body = $request->getContent();

        return new JsonResponse(ReadsCore::refusing(fn(): array => CaseFilePage::of(CaseFile::fromJson($body), $this->shelf->of($person->practice_id), $person->practice->timezone)));
    }

    public function store(Request $request, ImportCase $import): JsonResponse
    {
        $person = self::person($request);
        $body = $request->getContent();
        $athlete = $request->query('athlete');
        $case = ReadsCore::refusing(fn(): CareCase => $import->handle($person, CaseFile::fromJson($body), is_string($athlete) && $athlete !== '' ? $athlete : null, $this->shelf->of($person->practice_id)));

        return new JsonResponse(['id' => $case->id, 'athlete' => $case->athlete->name], 201);
    }
}
