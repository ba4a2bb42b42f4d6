<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\ChangeIntake;
use App\Actions\IntakeRequest;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\IntakePage;
use App\Models\CareCase;
use App\Models\Decision;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Rung\Core\Input\ObjectNode;

/** What intake asked for, found on the case and kept up to date there. */
final class IntakeController extends Controller
{
    public function show(Request $request, CareCase $case, CatalogueShelf $shelf): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the intake');

        return new JsonResponse(IntakePage::of($case, $shelf->of($case->practice_id)));
    }

    public function update(Request $request, CareCase $case, ChangeIntake $change, CatalogueShelf $shelf): JsonResponse
    {
        $today = Clock::today($case->practice->timezone);
        $asked = ReadsCore::from(
            $request,
            static fn(ObjectNode $node): IntakeRequest => IntakeRequest::read(
                $node,
                $shelf->of($case->practice_id),
                $today,
            ),
        );
        $decision = ReadsCore::refusing(
            static fn(): Decision => $change->handle($case, self::person($request), $asked),
        );

        return new JsonResponse(['words' => $decision->words]);
    }
}
