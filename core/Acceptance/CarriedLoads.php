<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Decision\Work;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\LoggedSet;

/**
 * What was lifted in one stage is carried into the next: an exercise that goes on there begins with the weight that its
 * last sets show, not with the programme's figure (docs/rules.md, "Into another stage").
 */
final readonly class CarriedLoads
{
    public function __construct(private Evaluation $evaluation) {}

    /** The step into a stage; one that lies before the present keeps the doses that it had. */
    public function into(Plan $plan, string $stage): PlanStep
    {
        $keys = array_map(static fn(PlanStage $planStage): string => $planStage->stage->key, $plan->stages);
        $isAhead = array_search($stage, $keys, true) > array_search($this->evaluation->log->stage->key, $keys, true);
        $notes = [];
        foreach ($isAhead ? $plan->stage($stage)->stage->prescriptions ?? [] : [] as $prescription) {
            $load = $this->loadFor($prescription);
            if ($load !== null && $load !== $prescription->dose->load_kg) {
                $carried = $prescription->withDose($prescription->dose->with(['load_kg' => $load]));
                $plan = $plan->withPrescription($carried);
                $notes[] = new ChangeNote(ChangeNoteKind::LoadCarried, $prescription, $carried);
            }
        }

        return new PlanStep($plan->goingOn(), [], $notes, enterStage: $stage);
    }

    /** Kilograms; null where the exercise was not done with a weight in the stage that is left. */
    private function loadFor(Prescription $prescription): int|float|null
    {
        $increment = $prescription->progression?->incrementKg();
        $sets = $this->lastSets($prescription->exercise);
        $dose = $prescription->dose;

        return match (true) {
            $sets === [] => null,
            $prescription->mode === Mode::Isometric => min(
                array_map(static fn(LoggedSet $set): int|float => $set->load_kg ?? 0, $sets),
            ),
            $increment !== null && $prescription->mode->isMoving() => Work::loadFor(
                $sets,
                $dose->rm ?? ($dose->reps_to ?? $dose->reps),
                $dose->bodyLoad($this->evaluation->log->file->athlete->body_mass_kg),
                $increment,
            ),
            default => null,
        };
    }

    /** @return list<LoggedSet> with a weight, of the last session of the stage in which the exercise was done */
    private function lastSets(string $exercise): array
    {
        foreach ($this->evaluation->log->stage->prescriptions as $done) {
            if ($done->exercise !== $exercise) {
                continue;
            }
            foreach (array_reverse($this->evaluation->sessions) as $response) {
                $sets =
                    $response->session->stage === $this->evaluation->log->stage->key
                        ? $response->session->setsOf($done->key)
                        : [];
                $weighed = array_values(
                    array_filter($sets, static fn(LoggedSet $set): bool => ($set->load_kg ?? 0) > 0),
                );
                if ($weighed !== []) {
                    return $weighed;
                }
            }
        }

        return [];
    }
}
