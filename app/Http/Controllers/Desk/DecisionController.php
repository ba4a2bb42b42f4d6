<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\DecideCase;
use App\Actions\DecisionRequest;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Models\CareCase;
use App\Models\Decision;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** A practitioner decides. */
final class DecisionController extends Controller
{
    public function __invoke(Request $request, CareCase $case, DecideCase $decide): JsonResponse
    {
        Gate::authorize('decide', $case);
        $asked = ReadsCore::from($request, DecisionRequest::read(...));
        $decision = ReadsCore::refusing(static fn(): Decision => $decide->handle($case, self::person($request), $asked));

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words], 201);
    }
}
