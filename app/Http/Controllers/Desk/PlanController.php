<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\PreviewPlan;
use App\Actions\RefreshStanding;
use App\Actions\SavePlan;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\PlanPreviewRequest;
use App\Http\Requests\Desk\PlanRequest;
use App\Http\Resources\PrescribePage;
use App\Http\Resources\StageMovePage;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Rung\Core\Acceptance\StageMove;

/** Prescribing: the plan as it is, what would follow from a change, and saving it. */
final class PlanController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function show(Request $request, CareCase $case, PrescribePage $page): JsonResponse
    {
        $answer = $page->present($case);
        AccessLog::read(self::person($request), $case, 'looked at a plan');
        AccessLog::readMany(
            self::person($request),
            'looked for a plan to copy',
            array_column($answer['others'], 'key'),
        );

        return new JsonResponse($answer);
    }

    /** What another stage would ask for, dose by dose. Nothing is stored. */
    public function stage(Request $request, CareCase $case, string $stage, RefreshStanding $standing): JsonResponse
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $evaluation = $standing->evaluate($case);
        $move = StageMove::toStage($plan, $evaluation, $catalogue, $stage) ?? abort(404);
        AccessLog::read(self::person($request), $case, 'previewed a stage');

        return new JsonResponse(StageMovePage::present($move, $catalogue, $evaluation->isMeasured()));
    }

    /** Nothing is stored. */
    public function preview(PlanPreviewRequest $request, CareCase $case, PreviewPlan $preview): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'previewed a plan');

        return new JsonResponse($preview->preview($case, $case->plan(), $request->value()->draft));
    }

    public function store(PlanRequest $request, CareCase $case, SavePlan $save): JsonResponse
    {
        $decision = $save->handle($case, self::person($request), $request->value());

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words, 'undo' => true], 201);
    }
}
