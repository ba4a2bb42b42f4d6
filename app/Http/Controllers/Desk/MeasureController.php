<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\FindMeasure;
use App\Actions\ImportMeasures;
use App\Actions\KeepCurve;
use App\Actions\RecordMeasurement;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\CurveRequest;
use App\Http\Requests\Desk\MeasureFileRequest;
use App\Http\Requests\Desk\MeasurementRequest;
use App\Http\Resources\CurvePage;
use App\Http\Resources\MeasurePreview;
use App\Http\Resources\MeasuresPage;
use App\Models\CareCase;
use App\Models\Curve;
use App\Support\AccessLog;
use App\Support\MeasureFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Rung\Core\Catalogue\Measure;

/** What is measured in a case: the sheet over time, new measurements with their tries, and the curves of a gauge. */
final class MeasureController extends Controller
{
    public function __construct(private readonly FindMeasure $find) {}

    public function index(Request $request, CareCase $case, RefreshStanding $standing, MeasuresPage $page): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the measures');

        return new JsonResponse($page->present($case, $standing->evaluate($case)));
    }

    public function show(
        Request $request,
        CareCase $case,
        string $measure,
        RefreshStanding $standing,
        MeasuresPage $page,
    ): JsonResponse {
        AccessLog::read(self::person($request), $case, 'looked at the measures');

        return new JsonResponse($page->one($case, $standing->evaluate($case), $measure) ?? abort(404));
    }

    public function preview(MeasurementRequest $request, CareCase $case, MeasurePreview $preview): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the measures');
        [$measurement] = $request->value();

        return new JsonResponse($preview->present($case, RecordMeasurement::lookedUp($case, $measurement)));
    }

    public function store(
        MeasurementRequest $request,
        CareCase $case,
        string $id,
        RecordMeasurement $record,
        MeasurePreview $preview,
    ): JsonResponse {
        [$measurement, $confirmed] = $request->value();
        $follows = $preview->follows($case, RecordMeasurement::lookedUp($case, $measurement));
        $new = $record->handle($case, self::person($request), $id, $measurement, $confirmed);

        return new JsonResponse(['id' => $id, 'follows' => $follows], $new ? 201 : 200);
    }

    public function keepCurve(CurveRequest $request, CareCase $case, string $id, KeepCurve $keep): JsonResponse
    {
        [$curve, $new] = $keep->handle(
            $case,
            self::person($request),
            $id,
            $request->measure(),
            $request->side(),
            $request->ask(),
            $request->figures(),
        );

        return new JsonResponse(CurvePage::figures($curve), $new ? 201 : 200);
    }

    public function curve(Request $request, CareCase $case, string $id): JsonResponse
    {
        $curve = Curve::query()->where('case_id', $case->id)->findOrFail($id);
        AccessLog::read(self::person($request), $case, 'looked at a force curve');

        return new JsonResponse(CurvePage::present($curve));
    }

    public function export(Request $request, CareCase $case, RefreshStanding $standing, MeasuresPage $page): Response
    {
        AccessLog::exported(self::person($request), 'saved the measures as a file', [$case->id], $case->athlete_id);
        $keys = array_column($page->measures($case, $standing->evaluate($case)), 'key');
        $measures = array_values(
            array_filter(
                array_map(fn(mixed $key): ?Measure => is_string($key) ? $this->find->byKey($case, $key) : null, $keys),
            ),
        );

        return new Response(MeasureFile::write($case, $measures), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="rung-measures.csv"',
        ]);
    }

    public function import(MeasureFileRequest $request, CareCase $case, ImportMeasures $import): JsonResponse
    {
        return new JsonResponse(['stored' => $import->handle($case, self::person($request), $request->value())]);
    }
}
