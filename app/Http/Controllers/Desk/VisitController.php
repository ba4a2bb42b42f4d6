<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\EndVisit;
use App\Actions\RecordScore;
use App\Actions\RefreshStanding;
use App\Actions\VisitRequest;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\VisitPage;
use App\Models\CareCase;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Rung\Core\Input\ObjectNode;

/** A visit at the treatment table: measured, tried, and written down. */
final class VisitController extends Controller
{
    public function show(Request $request, CareCase $case, RefreshStanding $standing, VisitPage $page): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'began a visit');

        return new JsonResponse($page->of($case, $standing->evaluate($case)));
    }

    public function store(Request $request, CareCase $case, EndVisit $end): JsonResponse
    {
        $visit = ReadsCore::from(
            $request,
            static fn(ObjectNode $node): VisitRequest => VisitRequest::read($node, CarbonImmutable::now()),
        );
        [$decision, $new] = ReadsCore::refusing(
            static fn(): array => $end->handle($case, self::person($request), $visit),
        );

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words], $new ? 201 : 200);
    }

    public function score(Request $request, CareCase $case, RecordScore $record): JsonResponse
    {
        [$score, $on] = ReadsCore::from(
            $request,
            static fn(ObjectNode $node): array => [$node->number('score', -ObjectNode::LARGEST), $node->day('on')],
        );
        ReadsCore::refusing(static fn() => $record->handle($case, self::person($request), $score, $on));

        return new JsonResponse(['stored' => true], 201);
    }
}
