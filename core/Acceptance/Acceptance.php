<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\EasierDose;
use Rung\Core\Decision\Proposal;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Dose\RungDose;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Number;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Time\Day;

/** Works out what accepting a proposal, or a flare, does to the plan. */
final class Acceptance
{
    private Plan $plan;

    /** @var list<DoseChange> */
    private array $changes = [];

    /** @var list<ChangeNote> */
    private array $notes = [];

    private bool $stageBefore = false;

    private function __construct(
        Plan $plan,
        private readonly Evaluation $evaluation,
        private readonly Catalogue $catalogue,
    ) {
        $this->plan = $plan;
    }

    /**
     * @param list<string>|null $chosen keys of the prescriptions whose proposals are taken; null: the preferred ones
     */
    public static function accept(
        Plan $plan,
        Evaluation $evaluation,
        Catalogue $catalogue,
        ?array $chosen = null,
    ): PlanStep {
        $kind = $evaluation->action->kind;
        if ($kind === ActionKind::Advance) {
            return $evaluation->nextStage === null
                ? new PlanStep($plan, [], [])
                : (new CarriedLoads($evaluation))->into($plan, $evaluation->nextStage);
        }
        if ($kind === ActionKind::Finish) {
            return new PlanStep($plan, [], [], finish: true);
        }
        $self = new self($plan, $evaluation, $catalogue);
        foreach ($evaluation->proposals as $proposal) {
            if ($chosen === null ? $proposal->preferred : in_array($proposal->prescription->key, $chosen, true)) {
                $self->take($proposal, DoseChangeKind::from($kind->value));
            }
        }
        $before = $self->stageBefore ? $self->previousStage() : null;

        return new PlanStep(
            $before === null ? $self->plan : $self->plan->goingOn(),
            $self->changes,
            $self->notes,
            enterStage: $before,
        );
    }

    /**
     * The plan for a flare, all at once: doses eased, days without loading, then holds alone for a while. Where the stage
     * has no holds, those of the nearest stage before it come in.
     */
    public static function flare(Plan $plan, Evaluation $evaluation, Catalogue $catalogue, Flare $flare): PlanStep
    {
        $self = new self($plan, $evaluation, $catalogue);
        $today = $evaluation->log->today;
        $stage = $evaluation->log->stage;
        if ($flare->ease) {
            $easier = new EasierDose($evaluation->work);
            foreach ($stage->prescriptions as $prescription) {
                $step = $easier->ease($prescription);
                if (
                    $step->change === Change::Dose ||
                    $step->change === Change::Back ||
                    $step->change === Change::WithinRange
                ) {
                    $self->take(
                        new Proposal($prescription, $step->change, true, $step->dose, $step->to),
                        DoseChangeKind::Ease,
                    );
                }
            }
        }
        if ($flare->holdsOnlyDays > 0) {
            $self->holdsOnly($today->plus($flare->holdsOnlyDays));
        }
        if ($flare->restDays > 0) {
            $self->plan = $self->plan->restingAllUntil($today->plus($flare->restDays));
            $self->notes[] = new ChangeNote(ChangeNoteKind::NoLoading, until: $today->plus($flare->restDays));
        }
        if ($self->notes !== [] && $self->changes === []) {
            $self->changes[] = new DoseChange($evaluation->log->at, DoseChangeKind::Ease);
        }

        return new PlanStep($self->plan, $self->changes, $self->notes);
    }

    private function holdsOnly(Day $until): void
    {
        $key = $this->evaluation->log->stage->key;
        $stage = $this->plan->stage($key);
        if ($stage === null || $stage->stage->prescriptions === []) {
            return;
        }
        foreach ($stage->stage->prescriptions as $prescription) {
            if ($prescription->mode !== Mode::Isometric) {
                $this->plan = $this->plan->restingUntil($prescription->key, $until);
            }
        }
        $this->notes[] = new ChangeNote(ChangeNoteKind::HoldsOnly, until: $until);
        $isHold = static fn(Prescription $exercise): bool => $exercise->mode === Mode::Isometric;
        if (array_filter($stage->stage->prescriptions, $isHold) !== []) {
            return;
        }
        foreach ($this->holdsBefore($key) as $hold) {
            $name = $this->plan->freeKey("$hold->key-flare");
            $new = $hold->withKey($name)->inSlot($stage->slots[0]->key ?? null);
            $stage = $stage->withStage($stage->stage->withPrescriptions([...$stage->stage->prescriptions, $new]));
            $this->plan = $this->plan->withStage($stage);
            $this->changes[] = new DoseChange($this->evaluation->log->at, DoseChangeKind::Ease, $name);
            $this->notes[] = new ChangeNote(ChangeNoteKind::Added, $hold, $new);
        }
    }

    /** @return list<Prescription> the holds of the nearest stage before one that has any */
    private function holdsBefore(string $key): array
    {
        $holds = [];
        foreach ($this->plan->stages as $planned) {
            if ($planned->stage->key === $key) {
                break;
            }
            $here = array_values(
                array_filter(
                    $planned->stage->prescriptions,
                    static fn(Prescription $prescription): bool => $prescription->mode === Mode::Isometric,
                ),
            );
            $holds = $here === [] ? $holds : $here;
        }

        return $holds;
    }

    private function take(Proposal $proposal, DoseChangeKind $kind): void
    {
        $prescription = $proposal->prescription;
        match ($proposal->change) {
            Change::Dose => $proposal->dose === null
                ? null
                : $this->replace($prescription, $prescription->withDose($proposal->dose), $kind),
            Change::Back => $this->takeBack($proposal, $kind),
            Change::NextRung => $this->toRung($prescription, 1, $proposal->to, $kind),
            Change::PreviousRung => $this->toRung($prescription, -1, $proposal->to, $kind),
            Change::WithinRange => $this->easeWithin($prescription),
            Change::AtBottom => $this->restOrStepBack($prescription, $kind),
            default => ($this->notes[] = new ChangeNote(ChangeNoteKind::Unchanged, $prescription)),
        };
    }

    /** What was asked before the latest raise is asked again. */
    private function takeBack(Proposal $proposal, DoseChangeKind $kind): void
    {
        $before = $proposal->prescription;
        $exercise = $this->catalogue->exercises[$proposal->to ?? ''] ?? null;
        if ($proposal->dose === null) {
            return;
        }
        $this->replace(
            $before,
            $exercise === null || $exercise->key === $before->exercise
                ? $before->withDose($proposal->dose)
                : $before->withExercise($exercise->key, $exercise->mode, $exercise->limbs, $proposal->dose, null),
            $kind,
        );
    }

    /** The dose stays; the next session asks for its lower end. */
    private function easeWithin(Prescription $prescription): void
    {
        $this->changes[] = new DoseChange($this->evaluation->log->at, DoseChangeKind::Within, $prescription->key);
        $this->notes[] = new ChangeNote(ChangeNoteKind::LowerEnd, $prescription);
    }

    private function toRung(Prescription $prescription, int $steps, ?string $to, DoseChangeKind $kind): void
    {
        $exercise =
            $to === null
                ? $this->catalogue->neighbour($prescription->exercise, $steps)
                : $this->catalogue->exercises[$to] ?? null;
        if ($exercise !== null) {
            // A corridor is the programme's own, and begins again at its lower end; a dose that has grown begins as the exercise does.
            $rung =
                $prescription->dose->corridor() === null
                    ? $prescription->withExercise(
                        $exercise->key,
                        $exercise->mode,
                        $exercise->limbs,
                        $exercise->dose,
                        null,
                    )
                    : $exercise->inPlaceOf($prescription);
            $this->replace(
                $prescription,
                $steps > 0 && !$exercise->loadIsFound ? $this->noLighter($prescription, $rung) : $rung,
                $kind,
            );
        } elseif ($steps > 0) {
            $this->notes[] = new ChangeNote(ChangeNoteKind::TopOfLadder, $prescription);
        } else {
            $this->restOrStepBack($prescription, $kind);
        }
    }

    /** A harder rung on which a limb would lift less than before keeps as much weight as that takes, rounded down to the increment. */
    private function noLighter(Prescription $before, Prescription $rung): Prescription
    {
        $bodyKg = $this->evaluation->log->file->athlete->body_mass_kg ?? 0;
        $limbs = static fn(Prescription $prescription): int => $prescription->limbs === Limbs::Together ? 2 : 1;
        $dose = $this->asLifted($before);
        $lifted = (($dose->load_kg ?? 0) + ($dose->body_fraction ?? 0) * $bodyKg) / $limbs($before);
        $needed = $lifted * $limbs($rung) - ($rung->dose->body_fraction ?? 0) * $bodyKg;
        $increment = $rung->progression?->incrementKg();
        $load =
            $increment === null
                ? ($needed == $dose->load_kg
                    ? $needed
                    : 0)
                : Number::floorToMultiple($needed, $increment);

        return $load > ($rung->dose->load_kg ?? 0)
            ? $rung->withDose($rung->dose->with(['load_kg' => Number::clean($load)]))
            : $rung;
    }

    /** Where nothing easier is left: back to the stage before, and where there is none, rest and another try. */
    private function restOrStepBack(Prescription $prescription, DoseChangeKind $kind): void
    {
        $this->changes[] = new DoseChange($this->evaluation->log->at, $kind, $prescription->key);
        if ($this->previousStage() !== null) {
            $this->stageBefore = true;
            $this->notes[] = new ChangeNote(ChangeNoteKind::StageBefore, $prescription);

            return;
        }
        $days = $this->evaluation->log->file->response_rule->restDays();
        $this->plan = $this->plan->restingUntil($prescription->key, $this->evaluation->log->today->plus($days));
        $this->notes[] = new ChangeNote(ChangeNoteKind::Rests, $prescription, days: $days);
    }

    /**
     * A dose whose weight was left to be found says what was lifted, so that taking a raise back asks for that again. What
     * was lifted before the dose was last changed was another dose, or another rung.
     */
    private function asLifted(Prescription $prescription): Dose
    {
        if ($prescription->dose->load_kg !== null || $prescription->progression?->incrementKg() === null) {
            return $prescription->dose;
        }
        $changed = $this->evaluation->log->latestChange($prescription->key)?->at;
        foreach (array_reverse($this->evaluation->sessions) as $response) {
            if ($changed !== null && !$response->session->started_at->after($changed)) {
                break;
            }
            $load = $response->session->leastLoadOf($prescription->key);
            if ($load !== null) {
                return $prescription->dose->with(['load_kg' => $load]);
            }
        }

        return $prescription->dose;
    }

    private function replace(Prescription $before, Prescription $after, DoseChangeKind $kind): void
    {
        $this->plan = $this->plan->withPrescription(
            $kind->raises() ? $after->raisedFrom(new RungDose($before->exercise, $this->asLifted($before))) : $after,
        );
        $this->changes[] = new DoseChange($this->evaluation->log->at, $kind, $before->key);
        $this->notes[] = new ChangeNote(ChangeNoteKind::Changed, $before, $after);
    }

    private function previousStage(): ?string
    {
        $before = null;
        foreach ($this->plan->stages as $planned) {
            if ($planned->stage->key === $this->evaluation->log->stage->key) {
                return $before;
            }
            if ($planned->stage->appliesTo($this->evaluation->log->file->athlete->goal)) {
                $before = $planned->stage->key;
            }
        }

        return null;
    }
}
