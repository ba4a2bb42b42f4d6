<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\CaseFile\DoseChange;
use Rung\Core\CaseFile\DoseChangeKind;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\Proposal;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Words\DoseWords;

/** Works out what accepting a proposal, or changing it by hand, does to the plan. */
final class Acceptance
{
    /** Days of rest before the easiest exercise is tried again, where even it was too much. */
    private const REST_DAYS = 7;

    /** The same under the schools that wait longer. */
    private const LONG_REST_DAYS = 14;

    private const LONG_REST_SCHOOLS = ['comfort', 'within_the_hour'];

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
    public static function of(Plan $plan, Evaluation $evaluation, Catalogue $catalogue, ?array $chosen = null): PlanStep
    {
        $kind = $evaluation->action->kind;
        if ($kind === ActionKind::Advance) {
            return new PlanStep($plan, [], [], enterStage: $evaluation->nextStage);
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

        return new PlanStep($self->plan, $self->changes, $self->notes, enterStage: $before);
    }

    /**
     * Doses set by hand; those that are the same as before are passed over.
     *
     * @param array<string, Dose> $doses by prescription
     */
    public static function byHand(Plan $plan, Evaluation $evaluation, Catalogue $catalogue, array $doses): PlanStep
    {
        $self = new self($plan, $evaluation, $catalogue);
        foreach ($evaluation->log->stage->prescriptions as $prescription) {
            $dose = $doses[$prescription->key] ?? null;
            if ($dose !== null && $dose->toArray() != $prescription->dose->toArray()) {
                $self->replace($prescription, $prescription->withDose($dose), DoseChangeKind::Manual);
            }
        }

        return new PlanStep($self->plan, $self->changes, $self->notes);
    }

    private function take(Proposal $proposal, DoseChangeKind $kind): void
    {
        $prescription = $proposal->prescription;
        if ($proposal->dose !== null) {
            $this->replace($prescription, $prescription->withDose($proposal->dose), $kind);

            return;
        }
        match ($proposal->change) {
            Change::NextRung => $this->toRung($prescription, 1, $kind),
            Change::PreviousRung => $this->toRung($prescription, -1, $kind),
            default => $this->notes[] = new ChangeNote($prescription, null, $this->title($prescription) . ' stays as it is.'),
        };
    }

    private function toRung(Prescription $prescription, int $steps, DoseChangeKind $kind): void
    {
        $exercise = $this->catalogue->neighbour($prescription->exercise, $steps);
        if ($exercise !== null) {
            $this->replace(
                $prescription,
                $prescription->withExercise($exercise->key, $exercise->mode, $exercise->limbs, $exercise->dose, null),
                $kind,
            );
        } elseif ($steps > 0) {
            $this->notes[] = new ChangeNote($prescription, null, $this->title($prescription) . ' is the top of its ladder: choose what is next by hand.');
        } elseif ($this->previousStage() !== null) {
            $this->stageBefore = true;
            $this->changes[] = new DoseChange($this->evaluation->log->at, $kind, $prescription->key);
            $this->notes[] = new ChangeNote($prescription, null, $this->title($prescription) . ' has no easier rung: back to the stage before.');
        } else {
            $long = in_array($this->evaluation->log->file->response_rule->name, self::LONG_REST_SCHOOLS, true);
            $days = $long ? self::LONG_REST_DAYS : self::REST_DAYS;
            $this->plan = $this->plan->restingUntil($prescription->key, $this->evaluation->log->today->plus($days));
            $this->changes[] = new DoseChange($this->evaluation->log->at, $kind, $prescription->key);
            $this->notes[] = new ChangeNote($prescription, null, $this->title($prescription) . " rests for $days days, then is tried again.");
        }
    }

    private function replace(Prescription $before, Prescription $after, DoseChangeKind $kind): void
    {
        $this->plan = $this->plan->withPrescription($after);
        $this->changes[] = new DoseChange($this->evaluation->log->at, $kind, $before->key);
        $this->notes[] = new ChangeNote($before, $after, $after->exercise === $before->exercise
            ? $this->title($before) . ': ' . DoseWords::difference($before, $after)
            : $this->title($before) . ' → ' . $this->title($after) . ', ' . DoseWords::of($after));
    }

    private function title(Prescription $prescription): string
    {
        return $this->catalogue->titleOf($prescription->exercise);
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
