<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\AnswerAthlete;
use App\Actions\DecideCase;
use App\Actions\DecisionRequest;
use App\Actions\NudgeAthlete;
use App\Actions\PreviewRequest;
use App\Actions\RefreshStanding;
use App\Actions\UndoDecision;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\DecisionPreview;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\Message;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Rung\Core\Input\ObjectNode;

/** A practitioner decides, takes it back, or reminds an athlete who is silent. */
final class DecisionController extends Controller
{
    public function store(Request $request, CareCase $case, DecideCase $decide): JsonResponse
    {
        $asked = ReadsCore::from($request, DecisionRequest::read(...));

        return self::answered(
            ReadsCore::refusing(static fn(): Decision => $decide->handle($case, self::person($request), $asked)),
        );
    }

    /** What a decision would do. Nothing is stored. */
    public function preview(
        Request $request,
        CareCase $case,
        RefreshStanding $standing,
        DecisionPreview $preview,
    ): JsonResponse {
        $asked = ReadsCore::from($request, PreviewRequest::read(...));
        AccessLog::read(self::person($request), $case, 'previewed a decision');

        return new JsonResponse(
            ReadsCore::refusing(static fn(): array => $preview->of($case, $standing->evaluate($case), $asked)),
        );
    }

    public function undo(Request $request, CareCase $case, string $decision, UndoDecision $undo): JsonResponse
    {
        $found = $case->decisions()->findOrFail($decision);

        return self::answered(
            ReadsCore::refusing(static fn(): Decision => $undo->handle($found, self::person($request))),
        );
    }

    public function nudge(Request $request, CareCase $case, NudgeAthlete $nudge): JsonResponse
    {
        $words = ReadsCore::from($request, static fn(ObjectNode $node): ?string => $node->textOrNull('words'));
        $message = ReadsCore::refusing(static fn(): Message => $nudge->handle($case, self::person($request), $words));

        return new JsonResponse(['id' => $message->id, 'words' => $message->words], 201);
    }

    public function answer(Request $request, CareCase $case, AnswerAthlete $answer): JsonResponse
    {
        [$words, $seen] = ReadsCore::from(
            $request,
            static fn(ObjectNode $node): array => [$node->text('words'), $node->textsOrNull('seen')],
        );
        ReadsCore::refusing(
            static fn() => $answer->handle(
                $case,
                self::person($request),
                $words,
                $seen === null ? null : array_values(array_filter($seen, Str::isUuid(...))),
            ),
        );

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
