<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\EndVisit;
use App\Actions\RecordScore;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\ScoreRequest;
use App\Http\Requests\Desk\VisitRequest;
use App\Http\Resources\VisitPage;
use App\Models\CareCase;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A visit at the treatment table: measured, tried, and written down. */
final class VisitController extends Controller
{
    public function show(Request $request, CareCase $case, RefreshStanding $standing, VisitPage $page): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'began a visit');

        return new JsonResponse($page->present($case, $standing->evaluate($case)));
    }

    public function store(VisitRequest $request, CareCase $case, EndVisit $end): JsonResponse
    {
        [$decision, $new] = $end->handle($case, self::person($request), $request->value());

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words], $new ? 201 : 200);
    }

    public function score(ScoreRequest $request, CareCase $case, RecordScore $record): JsonResponse
    {
        [$score, $on] = $request->value();
        $record->handle($case, self::person($request), $score, $on);

        return new JsonResponse(['stored' => true], 201);
    }
}
