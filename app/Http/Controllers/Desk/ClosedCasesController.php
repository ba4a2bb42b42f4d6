<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Models\CareCase;
use App\Models\Decision;
use App\Support\AccessLog;
use App\Support\CaseSearch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Cases that are closed, the latest first, found by name, act or structure. */
final class ClosedCasesController extends Controller
{
    private const MOST = 50;

    public function __invoke(Request $request): JsonResponse
    {
        $query = CareCase::query()->whereNotNull('closed_on')->with('athlete');
        CaseSearch::narrow($query->getQuery(), 'cases', $request->string('search')->limit(80, '')->value());
        $cases = array_values(
            $query
                ->orderByDesc('closed_on')
                ->orderBy('id')
                ->limit(self::MOST + 1)
                ->get()
                ->all(),
        );
        $shown = array_slice($cases, 0, self::MOST);
        $ids = array_map(static fn(CareCase $case): string => $case->id, $shown);
        AccessLog::readMany(self::person($request), 'looked at the closed cases', $ids);
        $closing = Decision::closing($ids);

        return new JsonResponse([
            'more' => count($cases) > self::MOST,
            'cases' => array_map(
                static fn(CareCase $case): array => [
                    'id' => $case->id,
                    'athlete' => [
                        'id' => $case->athlete_id,
                        'name' => $case->athlete->name,
                        'act' => $case->athlete->act,
                    ],
                    'structure' => $case->structure_title,
                    'side' => $case->side,
                    'opened_on' => $case->opened_on,
                    'closed_on' => $case->closed_on,
                    'by' => ($closing[$case->id] ?? null)?->by(),
                    'words' => ($closing[$case->id] ?? null)?->words,
                    'reason' => ($closing[$case->id] ?? null)?->reason,
                ],
                $shown,
            ),
        ]);
    }
}
