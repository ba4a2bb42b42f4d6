<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\PlannedSession;
use App\Models\StrengthTest;
use App\Support\Standing;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Number;
use Rung\Core\Plan\Acceptance;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Strength\Strength;
use Rung\Core\Words\DoseWords;

/** All that the Case page shows. */
final class CasePage
{
    private const NEXT_DAYS = 7;

    public function __construct(private readonly Catalogue $catalogue) {}

    /** @return array<string, mixed> */
    public function of(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $step = Acceptance::of($plan, $evaluation, $this->catalogue);
        $stage = $plan->stage($evaluation->log->stage->key);
        $told = $evaluation->toArray();

        return [
            'id' => $case->id,
            'revision' => $case->revision,
            'athlete' => ['id' => $case->athlete_id, 'name' => $case->athlete->name, 'act' => $case->athlete->act],
            'practitioner' => $case->practitioner->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'goal' => $case->goal,
            'opened_on' => $case->opened_on,
            'closed_on' => $case->closed_on,
            'history' => $case->history,
            'programme' => $this->catalogue->programmes[$case->programme]->title ?? $case->programme,
            'provocation_test' => $case->provocation_test,
            'rule' => $case->response_rule,
            'stage_from' => $evaluation->log->stageFrom->toIso(),
            'standing' => Standing::of($evaluation, $step),
            'hooks' => Standing::hooks($evaluation, PHP_INT_MAX >> 1),
            'scores' => array_map(
                static fn($checkIn): array => [
                    'on' => $evaluation->log->file->timezone->dayOf($checkIn->at)->toIso(),
                    'score' => $checkIn->provocation,
                    'stiffness_min' => $checkIn->stiffness_min,
                ],
                $evaluation->log->scored,
            ),
            'proposals' => Standing::proposals($evaluation, $step, $this->catalogue),
            'stops' => Standing::stops($evaluation),
            'creep' => $told['creep'],
            'adherence' => $told['adherence'],
            'week' => $told['week'],
            'prescriptions' => $stage === null ? [] : $this->prescriptions($stage, $case),
            'stages' => array_map(
                static fn(PlanStage $one): array => ['key' => $one->stage->key, 'title' => $one->stage->title],
                $plan->stages,
            ),
            'coming' => $stage === null ? [] : $this->coming($case, $stage, $evaluation),
            'tests' => array_values($case->tests()->get()->map(static fn(StrengthTest $test): array => [
                'test' => $test->test,
                'on' => $test->on,
                'affected' => $test->affected,
                'unaffected' => $test->unaffected,
                'unit' => $test->unit,
                'symmetry_percent' => Number::tenth(Strength::symmetry($test->affected, $test->unaffected, $case->side === 'both')),
            ])->all()),
            'decisions' => array_values($case->decisions()->with('user')->get()->map(static fn(Decision $decision): array => [
                'id' => $decision->id,
                'at' => $decision->at->setTimezone($case->practice->timezone)->toIso8601String(),
                'by' => $decision->user->name,
                'kind' => $decision->kind,
                'words' => $decision->words,
                'reason' => $decision->reason,
                'because' => is_string($decision->evidence['because'] ?? null) ? $decision->evidence['because'] : null,
            ])->all()),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function prescriptions(PlanStage $stage, CareCase $case): array
    {
        return array_map(fn(Prescription $prescription): array => [
            'key' => $prescription->key,
            'title' => $this->catalogue->exercises[$prescription->exercise]->title ?? $prescription->exercise,
            'mode' => $prescription->mode->value,
            'limbs' => $prescription->limbs->value,
            'slot' => $prescription->slot,
            'words' => DoseWords::of($prescription),
            'tempo_words' => DoseWords::tempo($prescription),
            'dose' => $prescription->dose->toArray(),
            'figures' => DoseArithmetic::of($prescription->mode, $prescription->limbs, $prescription->dose, $case->athlete->body_mass_kg)->toArray(),
        ], $stage->stage->prescriptions);
    }

    /** @return list<array{on: string, slot: string, mode: string}> */
    private function coming(CareCase $case, PlanStage $stage, Evaluation $evaluation): array
    {
        $today = $evaluation->log->today;
        $slots = [];
        foreach ($stage->slots as $slot) {
            $slots[$slot->key] = $slot;
        }
        $planned = $case->plannedSessions()
            ->whereBetween('on', [$today->toIso(), $today->plus(self::NEXT_DAYS - 1)->toIso()])
            ->get();

        return array_values($planned->map(static fn(PlannedSession $one): array => [
            'on' => $one->on,
            'slot' => $slots[$one->slot]->title ?? $one->slot,
            'mode' => ($slots[$one->slot]->mode ?? $evaluation->log->stage->mode)->value,
        ])->all());
    }
}
