<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Number;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\Waiting;
use Rung\Core\Record\Goal;

/** A programme made ready for one athlete: the first stage on its rung, and all of it for the equipment at hand. */
final readonly class StartPlan
{
    /** @param list<RungChoice> $choices of the stage in which it begins, in its order */
    private function __construct(public Plan $plan, public array $choices) {}

    /** The same for somebody with both sides affected. */
    public function onBothSides(): self
    {
        return new self($this->plan->onBothSides(), $this->choices);
    }

    /**
     * @param string $stage in which it begins
     * @param list<string>|null $equipment at hand; null: all of it
     * @param array<string, string> $byHand exercises that the practitioner chose, by prescription
     * @param Trials $trials what was tried in the room
     * @param Goal|null $goal whose usual way back to sport the plan gets, where the programme has none of its own
     * @param list<string> $found findings of the examination, by key: what waits for one of them begins with its stage
     *
     * @throws InvalidInput at /exercises where a choice names nothing
     */
    public static function build(
        Programme $programme,
        Catalogue $catalogue,
        StructureInfo $structure,
        string $stage,
        RungLevel $level,
        bool $irritable,
        ?array $equipment,
        array $byHand = [],
        Trials $trials = new Trials([], 0),
        ?Goal $goal = null,
        array $found = [],
    ): self {
        $plan = $programme->planFor($structure, $catalogue, $goal);
        $first = new RungChooser($catalogue, $structure, $equipment, $irritable, $trials);
        $later = new RungChooser($catalogue, $structure, $equipment, false);
        $own = array_column($plan->prescriptions(), 'key');
        foreach ($byHand as $prescription => $exercise) {
            if (!in_array($prescription, $own, true) || !isset($catalogue->exercises[$exercise])) {
                throw InvalidInput::at(
                    "/exercises/$prescription",
                    'must name an exercise for a prescription of the programme',
                );
            }
        }
        $choices = [];
        $plan = $plan->mapStages(static function (PlanStage $planned) use (
            $catalogue,
            $stage,
            $level,
            $first,
            $later,
            $byHand,
            $trials,
            $found,
            &$choices,
        ): PlanStage {
            $planned = $planned->beginning(
                static fn(Waiting $other): bool => in_array($other->startsWhen->finding, $found, true),
            );
            $begins = $planned->stage->key === $stage;
            $taken = [];
            $prescriptions = [];
            foreach ($planned->stage->prescriptions as $prescription) {
                $choice = match (true) {
                    isset($byHand[$prescription->key]) => $first->byHand(
                        $prescription,
                        $catalogue->exercise($byHand[$prescription->key]),
                    ),
                    // The level is that of the stage's own kind of work; what is done between keeps its usual place.
                    $begins => $first->choose(
                        $prescription,
                        self::isMainKind($planned, $prescription) ? $level : RungLevel::Usual,
                        $taken,
                    ),
                    default => $later->keep($prescription, $taken),
                };
                $taken[] = $choice->exercise->key;
                $asProgrammed =
                    !isset($byHand[$prescription->key]) &&
                    (!$begins || $level === RungLevel::Usual || !self::isMainKind($planned, $prescription));
                $started = $asProgrammed
                    ? self::swapped($prescription, $choice, true)
                    : self::gentler(self::swapped($prescription, $choice, false), $level);
                $started = $begins ? self::withTriedLoad($started, $choice->exercise, $trials) : $started;
                $prescriptions[] = $started->onLadder($later->ladder($choice->exercise->key, $prescription->ladder));
                if ($begins) {
                    $choices[] = $choice;
                }
            }

            // What begins later is on its usual place, with what there is at hand.
            $waiting = static function (Prescription $prescription) use ($later, &$taken): Prescription {
                $choice = $later->keep($prescription, $taken);
                $taken[] = $choice->exercise->key;

                return self::swapped($prescription, $choice, true)->onLadder(
                    $later->ladder($choice->exercise->key, $prescription->ladder),
                );
            };

            return new PlanStage(
                $planned->stage->withPrescriptions($prescriptions),
                $planned->slots,
                $planned->rhythm,
                array_map(
                    static fn(Waiting $other): Waiting => $other->with($waiting($other->prescription)),
                    $planned->waiting,
                ),
            );
        });

        return new self($plan, $choices);
    }

    private static function isMainKind(PlanStage $planned, Prescription $prescription): bool
    {
        $mode = $planned->stage->mode;

        return $planned->slot($prescription->slot)?->beside === null &&
            ($mode === Mode::Mixed ||
                $mode === $prescription->mode ||
                ($mode->isMoving() && $prescription->mode->isMoving()));
    }

    /** Where pain asks for it, a share of the maximum that is raised in steps begins one of them lower (docs/rules.md, "The first exercise"). */
    private static function gentler(Prescription $prescription, RungLevel $level): Prescription
    {
        $lever = $prescription->progression?->lever(LeverKind::Percent);
        $percent = $prescription->dose->percent_mvc;
        if ($lever === null || $percent === null || $level === RungLevel::Usual) {
            return $prescription;
        }
        return $prescription->withDose(
            $prescription->dose->with(['percent_mvc' => max(1, Number::clean($percent - $lever->step()))]),
        );
    }

    /** A weight that has to be found was found where the exercise was tried with it, for the repetitions that are asked. */
    private static function withTriedLoad(Prescription $prescription, Exercise $exercise, Trials $trials): Prescription
    {
        $load = $exercise->loadIsFound ? $trials->load($exercise->key, $prescription->dose->reps) : null;

        return $load === null
            ? $prescription
            : $prescription->withDose($prescription->dose->with(['load_kg' => $load]));
    }

    /** The programme's own dose where its own exercise or its stand-in is done; on an easier rung the easier end of what is usual. */
    private static function swapped(Prescription $prescription, RungChoice $choice, bool $asProgrammed): Prescription
    {
        $exercise = $choice->exercise;

        return match (true) {
            $exercise->key === $prescription->exercise => $prescription,
            $asProgrammed => $exercise->inPlaceOf($prescription),
            default => $prescription->withExercise(
                $exercise->key,
                $exercise->mode,
                $exercise->limbs,
                $exercise->dose,
                null,
            ),
        };
    }
}
