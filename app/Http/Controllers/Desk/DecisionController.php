<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\AnswerAthlete;
use App\Actions\DecideCase;
use App\Actions\DecisionRequest;
use App\Actions\NudgeAthlete;
use App\Actions\UndoDecision;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\Message;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Rung\Core\Input\ObjectNode;

/** A practitioner decides, takes it back, or reminds an athlete who is silent. */
final class DecisionController extends Controller
{
    public function store(Request $request, CareCase $case, DecideCase $decide): JsonResponse
    {
        Gate::authorize('decide', $case);
        $asked = ReadsCore::from($request, DecisionRequest::read(...));

        return self::told(ReadsCore::refusing(static fn(): Decision => $decide->handle($case, self::person($request), $asked)));
    }

    public function undo(Request $request, CareCase $case, string $decision, UndoDecision $undo): JsonResponse
    {
        Gate::authorize('decide', $case);
        $found = $case->decisions()->findOrFail($decision);

        return self::told(ReadsCore::refusing(static fn(): Decision => $undo->handle($found, self::person($request))));
    }

    public function nudge(Request $request, CareCase $case, NudgeAthlete $nudge): JsonResponse
    {
        Gate::authorize('decide', $case);
        $words = ReadsCore::from($request, static fn(ObjectNode $node): ?string => $node->textOrNull('words'));
        $message = ReadsCore::refusing(static fn(): Message => $nudge->handle($case, self::person($request), $words));

        return new JsonResponse(['id' => $message->id, 'words' => $message->words], 201);
    }

    public function answer(Request $request, CareCase $case, AnswerAthlete $answer): JsonResponse
    {
        Gate::authorize('decide', $case);
        $words = ReadsCore::from($request, static fn(ObjectNode $node): string => $node->text('words'));
        $answer->handle($case, self::person($request), $words);

        return new JsonResponse(['stored' => true], 201);
    }

    private static function told(Decision $decision): JsonResponse
    {
        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words, 'undo' => $decision->undo !== null], 201);
    }
}
