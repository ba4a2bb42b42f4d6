<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\MoveRequest;
use App\Actions\MoveSessions;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\WeeksPage;
use App\Models\CareCase;
use App\Models\Decision;
use App\Support\AccessLog;
use App\Support\CaseWeeks;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\Replanner;

/** The weeks of a case: what stands where, what breaks if it is moved, and moving it. */
final class WeeksController extends Controller
{
    public function show(Request $request, CareCase $case): JsonResponse
    {
        Gate::authorize('decide', $case);
        AccessLog::read(self::person($request), $case, 'looked at the weeks');

        return new JsonResponse(WeeksPage::of($case));
    }

    public function preview(Request $request, CareCase $case): JsonResponse
    {
        Gate::authorize('decide', $case);
        $asked = ReadsCore::from($request, MoveRequest::read(...));

        return new JsonResponse(ReadsCore::refusing(static function () use ($case, $asked): array {
            $weeks = CaseWeeks::of($case);

            return WeeksPage::change($weeks, $weeks->moved(MoveSessions::checked($weeks, $asked->moves)));
        }));
    }

    /** The fewest moves that mend what is broken; nothing is in force by it. */
    public function replan(CareCase $case): JsonResponse
    {
        Gate::authorize('decide', $case);
        $weeks = CaseWeeks::of($case);
        $replan = Replanner::of($weeks->booked, $weeks->rules, $weeks->slots, $weeks->today);

        return new JsonResponse([
            'moves' => array_map(static fn(Booked $one): array => ['session' => $one->id, 'on' => $one->on->toIso()], $replan->moves),
            'left_out' => array_map(static fn(Booked $one): string => $one->id, $replan->leftOut),
        ]);
    }

    public function store(Request $request, CareCase $case, MoveSessions $move): JsonResponse
    {
        Gate::authorize('decide', $case);
        $asked = ReadsCore::from($request, MoveRequest::read(...));
        $decision = ReadsCore::refusing(static fn(): Decision => $move->handle($case, self::person($request), $asked));

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words, 'undo' => true], 201);
    }
}
