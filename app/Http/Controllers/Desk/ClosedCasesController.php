<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Models\CareCase;
use App\Models\Decision;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Cases that are closed, the latest first, found by name, act or structure. */
final class ClosedCasesController extends Controller
{
    private const MOST = 50;

    public function __invoke(Request $request): JsonResponse
    {
        $query = CareCase::query()->whereNotNull('closed_on')->with('athlete');
        foreach (preg_split('/\s+/', $request->string('search')->limit(80, '')->value(), 6, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $query->whereRaw("(select a.name || ' ' || coalesce(a.act, '') from athletes as a where a.id = cases.athlete_id) || ' ' || structure_title ilike ?", ['%' . addcslashes($word, '%_\\') . '%']);
        }
        $cases = array_values($query->orderByDesc('closed_on')->orderBy('id')->limit(self::MOST + 1)->get()->all());
        $shown = array_slice($cases, 0, self::MOST);
        AccessLog::readMany(self::person($request), 'looked at the closed cases', array_map(static fn(CareCase $case): string => $case->id, $shown));

        return new JsonResponse(['more' => count($cases) > self::MOST, 'cases' => array_map(static function (CareCase $case): array {
            $ending = self::ending($case);

            return [
                'id' => $case->id, 'athlete' => ['id' => $case->athlete_id, 'name' => $case->athlete->name, 'act' => $case->athlete->act],
                'structure' => $case->structure_title, 'side' => $case->side, 'opened_on' => $case->opened_on, 'closed_on' => $case->closed_on,
                'by' => $ending?->user->name, 'words' => $ending?->words, 'reason' => $ending?->reason,
            ];
        }, $shown)]);
    }

    /** The decision that closed a case. */
    private static function ending(CareCase $case): ?Decision
    {
        return $case->decisions()->with('user')->get()->first(static fn(Decision $one): bool => $one->closes());
    }
}
