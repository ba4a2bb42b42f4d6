<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\ChangeIntake;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\IntakeRequest;
use App\Http\Resources\IntakePage;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What intake asked for, found on the case and kept up to date there. */
final class IntakeController extends Controller
{
    public function show(Request $request, CareCase $case, CatalogueShelf $shelf): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the intake');

        return new JsonResponse(IntakePage::present($case, $shelf->forPractice($case->practice_id)));
    }

    public function update(IntakeRequest $request, CareCase $case, ChangeIntake $change): JsonResponse
    {
        $decision = $change->handle($case, self::person($request), $request->value());

        return new JsonResponse(['words' => $decision->words]);
    }
}
