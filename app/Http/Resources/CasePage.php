<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\PlannedSession;
use App\Models\StrengthTest;
use App\Support\CatalogueShelf;
use App\Support\Standing;
use Carbon\CarbonImmutable;
use Rung\Core\Calendar\Placed;
use Rung\Core\CaseFile\Structure;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Lint\Irritation;
use Rung\Core\Lint\Linter;
use Rung\Core\Lint\LintNote;
use Rung\Core\Lint\LintSubject;
use Rung\Core\Number;
use Rung\Core\Plan\Acceptance;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;

/** All that the Case page shows. */
final class CasePage
{
    private const NEXT_DAYS = 7;

    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function of(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $programme = $catalogue->programmes[$case->programme] ?? null;
        $step = Acceptance::of($plan, $evaluation, $catalogue);
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
            'programme' => $programme->title ?? $case->programme,
            'programme_version' => $case->programme_version,
            'intake' => $this->intake($case),
            'advice' => $case->advice,
            'earlier' => $this->earlier($case),
            'lint' => $stage === null ? [] : array_map(static fn(LintNote $note): array => $note->toArray(), $this->lint($case, $catalogue, $stage, $evaluation, $programme)),
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
            'proposals' => Standing::proposals($evaluation, $step, $catalogue),
            'stops' => Standing::stops($evaluation),
            'creep' => $told['creep'],
            'adherence' => $told['adherence'],
            'week' => $told['week'],
            'prescriptions' => $stage === null ? [] : self::prescriptions($stage, $case, $catalogue),
            'stages' => array_map(
                static fn(PlanStage $one): array => ['key' => $one->stage->key, 'title' => $one->stage->title],
                $plan->stages,
            ),
            'coming' => $stage === null ? [] : $this->coming($case, $stage, $evaluation),
            'strength_test' => $catalogue->structure(Structure::from($case->structure))->strengthTest->toArray(),
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
    private static function prescriptions(PlanStage $stage, CareCase $case, Catalogue $catalogue): array
    {
        return array_map(static fn(Prescription $prescription): array => [
            'key' => $prescription->key,
            'title' => $catalogue->titleOf($prescription->exercise),
            'mode' => $prescription->mode->value,
            'limbs' => $prescription->limbs->value,
            'slot' => $prescription->slot,
            'words' => DoseWords::of($prescription),
            'tempo_words' => DoseWords::tempo($prescription),
            'dose' => $prescription->dose->toArray(),
            'figures' => DoseArithmetic::of($prescription->mode, $prescription->limbs, $prescription->dose, $case->athlete->body_mass_kg)->toArray(),
        ], $stage->stage->prescriptions);
    }

    /** @return array<string, mixed> what was found when the case was opened */
    private function intake(CareCase $case): array
    {
        $intake = $case->intake;
        $text = static fn(string $field): ?string => is_string($intake[$field] ?? null) ? $intake[$field] : null;

        return [
            'began_on' => $text('began_on'),
            'load_change' => $text('load_change'),
            'aggravating' => $text('aggravating'),
            'screened_by' => $text('screened_by'),
            'screened_on' => $text('screened_on'),
            'risks' => $intake['risks'] ?? [],
            'signs' => array_values(is_array($intake['referral_signs'] ?? null) ? $intake['referral_signs'] : []),
            'goal_on' => $case->goal_on,
            'equipment' => $case->equipment,
            'session_minutes' => $case->session_minutes,
            'severity' => $case->severity,
        ];
    }

    /** @return list<array<string, mixed>> earlier episodes of the same structure */
    private function earlier(CareCase $case): array
    {
        $earlier = CareCase::query()->where('athlete_id', $case->athlete_id)->where('structure', $case->structure)
            ->where('id', '!=', $case->id)->where('opened_on', '<=', $case->opened_on)->orderByDesc('opened_on')->get();

        return array_values($earlier->map(static fn(CareCase $one): array => [
            'id' => $one->id, 'side' => $one->side, 'opened_on' => $one->opened_on, 'closed_on' => $one->closed_on,
        ])->all());
    }

    /** @return list<LintNote> */
    private function lint(CareCase $case, Catalogue $catalogue, PlanStage $stage, Evaluation $evaluation, ?Programme $programme): array
    {
        $today = $evaluation->log->today;

        return Linter::of(new LintSubject(
            catalogue: $catalogue,
            structure: $catalogue->structure(Structure::from($case->structure)),
            rule: $evaluation->log->file->response_rule,
            stage: $stage,
            irritable: Irritation::isIrritable($evaluation),
            loweringOnly: $programme->lowering_only ?? false,
            before: $this->before($case, $stage),
            calendar: array_values($case->plannedSessions()->where('on', '>=', $today->toIso())->get()->map(
                static fn(PlannedSession $one): Placed => new Placed(Day::fromIso($one->on), $one->slot, $one->number),
            )->all()),
            events: $case->eventDays(),
            sessionMinutes: $case->session_minutes,
            bodyMassKg: $case->athlete->body_mass_kg,
            daysSinceOpened: $today->daysSince(Day::fromIso($case->opened_on)),
            evaluation: $evaluation,
        ));
    }

    /** @return list<Prescription> the doses before the last change of the plan, where it was a change of dose within the week */
    private function before(CareCase $case, PlanStage $stage): array
    {
        $versions = $case->planVersions()->where('created_at', '>', CarbonImmutable::now()->subDays(self::NEXT_DAYS))->get();
        $first = $versions->first();
        $before = $first === null || $first->version === 1 ? null : $case->planVersions()->where('version', $first->version - 1)->first();

        return $before === null ? [] : Plan::fromJson($before->content)->stage($stage->stage->key)->stage->prescriptions ?? [];
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
