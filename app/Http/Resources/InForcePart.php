<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\PlannedSession;
use Carbon\CarbonImmutable;
use Rung\Core\Acceptance\NextLoad;
use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Irritation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Lint\Linter;
use Rung\Core\Lint\LintNote;
use Rung\Core\Lint\LintSubject;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\PlanWords;
use Rung\Core\Words\TodayWords;

/** What is in force in the stage of a case: its exercises, the days ahead, and what a careful colleague would point out. */
final class InForcePart
{
    private const NEXT_DAYS = 7;

    /** @return list<array<string, mixed>> */
    public static function prescriptions(
        PlanStage $stage,
        Plan $plan,
        CareCase $case,
        Catalogue $catalogue,
        Evaluation $evaluation,
    ): array {
        $today = $evaluation->log->today;
        $asked = $evaluation->askedByPrescription();
        $limbs = static fn(Prescription $prescription): Limbs => $case->side === Side::Both->value
            ? $prescription->limbs->onBothSides()
            : $prescription->limbs;

        return array_map(
            static fn(Prescription $prescription): array => [
                'key' => $prescription->key,
                'title' => $catalogue->titleOf($prescription->exercise),
                'mode' => $prescription->mode->value,
                'limbs' => $limbs($prescription)->value,
                'slot' => $prescription->slot,
                'rests_until' => $plan->restsUntil($prescription->key, $today)?->toIso(),
                'turns' => $limbs($prescription)->turns(),
                'words' => DoseWords::describe($prescription, $evaluation->isMeasured()),
                'load' => self::load($prescription, $evaluation, $catalogue),
                'held' => HeldForce::words($prescription, $evaluation, $catalogue),
                'next' => isset($asked[$prescription->key])
                    ? DoseWords::asked($asked[$prescription->key], $evaluation->isMeasured())
                    : null,
                'tempo_words' => DoseWords::tempo($prescription),
                'dose' => $prescription->dose->toArray(),
                'figures' => DoseArithmetic::figures(
                    $prescription->mode,
                    $limbs($prescription),
                    $prescription->dose,
                    $case->athlete->body_mass_kg,
                )->toArray(),
            ],
            $stage->stage->prescriptions,
        );
    }

    /** @return array<string, mixed>|null where the weight comes from that the dose leaves open */
    private static function load(Prescription $prescription, Evaluation $evaluation, Catalogue $catalogue): ?array
    {
        $load = NextLoad::forPrescription($prescription, $evaluation, $catalogue);

        return $load === null
            ? null
            : ['source' => $load->source->value, 'kg' => $load->kg, 'on' => $load->on?->toIso()];
    }

    /** @return array<string, mixed>|null where the athlete stands on the way back to sport; null where the stage has none */
    public static function practice(PlanStage $stage, Evaluation $evaluation): ?array
    {
        $ladder = PracticeLadder::inStage($stage, $evaluation);

        return $ladder === null
            ? null
            : [
                'steps' => array_map(
                    static fn(PracticeStep $step): array => [
                        'words' => PlanWords::practice($step),
                        'full' => $step->full,
                    ],
                    $ladder->steps,
                ),
                'at' => $ladder->at,
                'settled' => $ladder->settled,
                'times' => PracticeLadder::TIMES,
                'why' => TodayWords::practice($ladder),
            ];
    }

    /** @return list<array{on: string, slot: string, mode: string, at: string|null}> */
    public static function coming(CareCase $case, PlanStage $stage, Evaluation $evaluation): array
    {
        $today = $evaluation->log->today;
        $planned = $case
            ->plannedSessions()
            ->whereBetween('on', [$today->toIso(), $today->plus(self::NEXT_DAYS - 1)->toIso()])
            ->get();

        return array_values(
            $planned
                ->map(
                    static fn(PlannedSession $session): array => [
                        'on' => $session->on,
                        'slot' => $stage->slot($session->slot)?->name() ?? $session->slot,
                        'mode' => ($stage->slot($session->slot)->mode ?? $evaluation->log->stage->mode)->value,
                        'at' => $stage->slot($session->slot)?->timeOf($session->number)?->toText(),
                    ],
                )
                ->all(),
        );
    }

    /** @return list<LintNote> */
    public static function lint(
        CareCase $case,
        Catalogue $catalogue,
        PlanStage $stage,
        Evaluation $evaluation,
        ?Programme $programme,
    ): array {
        $today = $evaluation->log->today;

        return Linter::lint(
            new LintSubject(
                catalogue: $catalogue,
                structure: $catalogue->structure(Structure::from($case->structure)),
                rule: $evaluation->log->file->response_rule,
                stage: $stage,
                irritable: Irritation::isIrritable($evaluation),
                loweringOnly: $programme->lowering_only ?? false,
                before: self::before($case, $stage),
                calendar: array_values(
                    $case
                        ->plannedSessions()
                        ->where('on', '>=', $today->toIso())
                        ->get()
                        ->map(
                            static fn(PlannedSession $planned): Placed => new Placed(
                                Day::fromIso($planned->on),
                                $planned->slot,
                                $planned->number,
                            ),
                        )
                        ->all(),
                ),
                events: $case->events,
                sessionMinutes: $case->session_minutes,
                bodyMassKg: $case->athlete->body_mass_kg,
                daysSinceOpened: $today->daysSince(Day::fromIso($case->opened_on)),
                summary: TrainingSummary::fromEvaluation($evaluation),
            ),
        );
    }

    /** @return list<Prescription> the doses before the last change of the plan, where it was a change of dose within the week */
    private static function before(CareCase $case, PlanStage $stage): array
    {
        $versions = $case
            ->planVersions()
            ->where('created_at', '>', CarbonImmutable::now()->subDays(self::NEXT_DAYS))
            ->get();
        $first = $versions->first();
        $before =
            $first === null || $first->version === 1
                ? null
                : $case
                    ->planVersions()
                    ->where('version', $first->version - 1)
                    ->first();

        return $before === null
            ? []
            : Plan::fromJson($before->content)->stage($stage->stage->key)->stage->prescriptions ?? [];
    }
}
