<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\Work;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Record\Structure;
use Rung\Core\Strength\Strength;

/** Finds loads as an athlete does in the room, by what could be lifted once, and keeps to what was lifted last. */
final class PlayedLoads
{
    /** Parts of the body mass that can be lifted once, where no maximum is given. */
    private const LEG = 0.6;

    private const ARM = 0.1;

    private const HAND = 0.03;

    /** Kilograms between two weights in the room, where the prescription does not say. */
    private const INCREMENT_KG = 2.5;

    /** What a hold asks of a maximum where the dose does not say, in percent. */
    private const HOLD_PERCENT = 70;

    /** @var array<string, array{exercise: string, load_kg: int|float}> what was lifted last, by prescription */
    private array $lifted = [];

    /** @param array<string, int|float> $maxima kilograms that can be lifted once, by exercise or strength test */
    public function __construct(
        private readonly Structure $structure,
        private readonly int|float $bodyMassKg,
        private readonly array $maxima,
        private readonly Catalogue $catalogue,
    ) {}

    /** The prescription with its load; where that is to be found, what was lifted last, or what the maximum gives. */
    public function loaded(Prescription $prescription, int $reserve): Prescription
    {
        $lifted = $this->lifted[$prescription->key] ?? null;
        $load =
            $prescription->dose->load_kg ??
            ($lifted !== null && $lifted['exercise'] === $prescription->exercise
                ? $lifted['load_kg']
                : $this->find($prescription, $reserve));
        if ($load === null) {
            return $prescription;
        }
        $this->lifted[$prescription->key] = ['exercise' => $prescription->exercise, 'load_kg' => $load];

        return $prescription->withDose($prescription->dose->with(['load_kg' => $load]));
    }

    /** Kilograms for the repetitions and reserve of a dose, rounded down to the increment; null where nothing is lifted. */
    private function find(Prescription $prescription, int $reserve): int|float|null
    {
        if (!$this->catalogue->exercise($prescription->exercise)->loadIsFound) {
            return null;
        }
        $increment = $prescription->progression?->incrementKg() ?? self::INCREMENT_KG;
        $dose = $prescription->dose;
        $body = $dose->bodyLoad($this->bodyMassKg);
        $maximum =
            $this->maxima[$prescription->exercise] ??
            ($this->maxima[$this->catalogue->structure($this->structure)->strengthTest] ??
                $this->share() * $this->bodyMassKg);
        if ($prescription->mode === Mode::Isometric) {
            return Work::onBar(
                ($maximum *
                    ($dose->percent_mvc ?? ($dose->effort === null ? self::HOLD_PERCENT : 10 * $dose->effort))) /
                    100,
                $body,
                $increment,
            );
        }
        $reps = min(
            Strength::MAX_REPS,
            ($dose->rm ?? ($dose->reps_to ?? $dose->reps)) + ($dose->rm === null ? $reserve : 0),
        );

        return Work::onBar(Strength::loadFor($maximum, $reps), $body, $increment);
    }

    private function share(): float
    {
        return match ($this->structure) {
            Structure::LateralElbow, Structure::MedialElbow, Structure::WristFlexorsExtensors => self::HAND,
            Structure::Supraspinatus, Structure::BicepsLongHead, Structure::DistalBiceps => self::ARM,
            default => self::LEG,
        };
    }
}
