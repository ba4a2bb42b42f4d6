<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\AnswerAthlete;
use App\Actions\DecideCase;
use App\Actions\NudgeAthlete;
use App\Actions\RefreshStanding;
use App\Actions\UndoDecision;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\AnswerRequest;
use App\Http\Requests\Desk\DecisionPreviewRequest;
use App\Http\Requests\Desk\DecisionRequest;
use App\Http\Requests\Desk\NudgeRequest;
use App\Http\Resources\DecisionPreview;
use App\Models\CareCase;
use App\Models\Decision;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A practitioner decides, takes it back, or reminds an athlete who is silent. */
final class DecisionController extends Controller
{
    public function store(DecisionRequest $request, CareCase $case, DecideCase $decide): JsonResponse
    {
        return self::answered($decide->handle($case, self::person($request), $request->value()));
    }

    /** What a decision would do. Nothing is stored. */
    public function preview(
        DecisionPreviewRequest $request,
        CareCase $case,
        RefreshStanding $standing,
        DecisionPreview $preview,
    ): JsonResponse {
        AccessLog::read(self::person($request), $case, 'previewed a decision');

        return new JsonResponse($preview->present($case, $standing->evaluate($case), $request->value()));
    }

    public function undo(Request $request, CareCase $case, string $decision, UndoDecision $undo): JsonResponse
    {
        $found = $case->decisions()->findOrFail($decision);

        return self::answered($undo->handle($found, self::person($request)));
    }

    public function nudge(NudgeRequest $request, CareCase $case, NudgeAthlete $nudge): JsonResponse
    {
        $message = $nudge->handle($case, self::person($request), $request->value());

        return new JsonResponse(['id' => $message->id, 'words' => $message->words], 201);
    }

    public function answer(AnswerRequest $request, CareCase $case, AnswerAthlete $answer): JsonResponse
    {
        [$words, $seen] = $request->value();
        $answer->handle($case, self::person($request), $words, $seen);

        return new JsonResponse(['stored' => true], 201);
    }

    private static function answered(Decision $decision): JsonResponse
    {
        return new JsonResponse(
            ['id' => $decision->id, 'words' => $decision->words, 'undo' => $decision->undo !== null],
            201,
        );
    }
}
