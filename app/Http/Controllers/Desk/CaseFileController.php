<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\AskForArchive;
use App\Actions\ImportCase;
use App\Care\CaseHistory;
use App\Http\Controllers\Controller;
use App\Http\Resources\CaseFilePage;
use App\Http\Resources\MadeFileResource;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use App\Support\HealthRecord;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\HealthRecord\BundleReader;
use Rung\Core\Input\InvalidInput;

/** A case as an open file (docs/formats/case-file.md, docs/formats/fhir.md): exported, looked at, imported. */
final class CaseFileController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function show(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::exported(self::person($request), 'exported the case file', [$case->id], $case->athlete_id);
        $name = Str::slug("{$case->athlete->name} $case->structure_title") . '.json';

        return (new JsonResponse(CaseHistory::whole($case)->toArray()))
            ->setEncodingOptions(JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)
            ->header('Content-Disposition', "attachment; filename=\"$name\"");
    }

    /** The same as a FHIR bundle (docs/formats/fhir.md). */
    public function healthRecord(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::exported(self::person($request), 'exported the health record', [$case->id], $case->athlete_id);
        $name = Str::slug("{$case->athlete->name} $case->structure_title health record") . '.json';

        return (new JsonResponse(HealthRecord::bundle($case, $this->shelf)))
            ->setEncodingOptions(
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
            )
            ->header('Content-Type', 'application/fhir+json')
            ->header('Content-Disposition', "attachment; filename=\"$name\"");
    }

    /** All that is kept of the athlete of a case, of every case, in one archive. */
    public function archive(Request $request, CareCase $case, AskForArchive $ask): JsonResponse
    {
        return new JsonResponse(
            MadeFileResource::make($ask->handle(self::person($request), $case->athlete, true)),
            202,
        );
    }

    /** What a file holds, and what would be made of it; nothing is stored. */
    public function preview(Request $request): JsonResponse
    {
        $person = self::person($request);

        return new JsonResponse(
            CaseFilePage::present(
                self::read($request->getContent()),
                $this->shelf->forPractice($person->practice_id),
                $person->practice->timezone,
            ),
        );
    }

    public function store(Request $request, ImportCase $import): JsonResponse
    {
        $person = self::person($request);
        $athlete = $request->query('athlete');
        $case = $import->handle(
            $person,
            self::read($request->getContent()),
            is_string($athlete) && $athlete !== '' ? $athlete : null,
            $this->shelf->forPractice($person->practice_id),
        );

        return new JsonResponse(['id' => $case->id, 'athlete' => $case->athlete->name], 201);
    }

    /** @throws InvalidInput */
    private static function read(string $body): CaseFile
    {
        return BundleReader::looksLikeOne($body) ? BundleReader::read($body) : CaseFile::fromJson($body);
    }
}
