<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Random\Randomizer;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Directness;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Structure;

/**
 * A made-up athlete who answers sessions and mornings: a tissue with a capacity that loading
 * raises, a soreness that overload raises and time calms. For demonstration and tests; it is no
 * model of a person. All chance comes from the randomizer that is handed in.
 */
final class SimulatedAthlete
{
    private const CALMING_A_DAY = 0.978;

    private const REACTION_LEFT_NEXT_DAY = 0.35;

    private const CAPACITY_GAIN = 0.005;

    /** From this demand on, soreness is felt in full. */
    private const FELT_FROM = 0.45;

    private float $capacity;

    private float $soreness;

    /** What the last overload adds to the next morning's score. */
    private float $reaction = 0;

    /** @param Catalogue|null $catalogue says how directly exercises load the structure; without it, all load it fully */
    public function __construct(
        public readonly Temper $temper,
        private Randomizer $chance,
        private readonly ?Catalogue $catalogue = null,
        private readonly ?Structure $structure = null,
    ) {
        $this->capacity = $temper->capacity;
        $this->soreness = $temper->soreness;
    }

    /** Chance goes on from here by another source. */
    public function drawFrom(Randomizer $chance): void
    {
        $this->chance = $chance;
    }

    /** A night passes: soreness calms, the reaction to the last session fades. */
    public function sleep(): void
    {
        $this->soreness *= self::CALMING_A_DAY;
        $this->reaction *= self::REACTION_LEFT_NEXT_DAY;
    }

    public function answersThisMorning(): bool
    {
        return $this->draw() < $this->temper->candour;
    }

    public function doesSession(): bool
    {
        return $this->draw() < $this->temper->diligence;
    }

    /** Score of the provocation test, 0–10. */
    public function score(): int
    {
        return self::scale($this->soreness + $this->reaction + $this->scatter());
    }

    /** Minutes of morning stiffness. */
    public function stiffness(): int
    {
        return (int) max(0, round(4 * ($this->soreness + $this->reaction) + 3 * $this->scatter()));
    }

    /** Percent of the sore side's strength to the other. */
    public function symmetryPercent(): float
    {
        return min(99, 52 + 45 * min(1, $this->capacity) + $this->scatter());
    }

    /** A severity score, 0–100, higher better. */
    public function severityScore(): int
    {
        return (int) round(max(20, min(98, 100 - 9 * $this->soreness - 20 * max(0, 1 - $this->capacity))));
    }

    /**
     * Does the prescriptions and logs what was done and how much it hurt.
     *
     * @param list<Prescription> $prescriptions
     * @param float $excess how much more than asked was done, 1 being as asked
     *
     * @return list<Entry>
     */
    public function train(array $prescriptions, float $excess = 1.0): array
    {
        $entries = [];
        $most = 0.0;
        foreach ($prescriptions as $prescription) {
            $demand = $this->demand($prescription) * $excess;
            $most = max($most, $demand);
            $entries[] = new Entry($prescription->key, $this->sets($prescription), $this->pain($demand));
        }
        $this->react($most);

        return $entries;
    }

    /** Practises the act; returns the worst pain, 0–10. */
    public function practise(float $demand): int
    {
        $pain = $this->pain($demand);
        $this->react($demand);

        return $pain;
    }

    private function react(float $demand): void
    {
        $overload = max(0, $demand - $this->capacity);
        $this->reaction = max($this->reaction, 9 * $this->temper->irritability * max(0, $overload - 0.08));
        if ($overload < 0.15) {
            $this->capacity += self::CAPACITY_GAIN * $this->temper->pace;
        } elseif ($overload > 0.3) {
            $this->soreness = min(8, $this->soreness + 0.6 * $this->temper->irritability);
        }
    }

    private function pain(float $demand): int
    {
        return self::scale(
            0.5 * $this->soreness * min(1, $demand / self::FELT_FROM) +
                6 * $this->temper->irritability * max(0, $demand - $this->capacity) +
                $this->scatter(),
        );
    }

    /** @return list<LoggedSet> */
    private function sets(Prescription $prescription): array
    {
        $dose = $prescription->dose;
        $reserve = (int) round(1 + 2 * max(0, $this->capacity - $this->demand($prescription) + 0.4));
        $sets = [];
        for ($i = 0; $i < $dose->sets; $i++) {
            $sets[] = new LoggedSet(
                reps: $dose->reps,
                hold_s: $prescription->mode === Mode::Isometric ? $dose->hold_s : null,
                work_s: $dose->work_s,
                load_kg: $dose->load_kg,
                rir: $prescription->mode->isMoving() && ($dose->load_kg ?? 0) > 0 ? $reserve : null,
            );
        }

        return $sets;
    }

    /** What a dose asks of the tissue, on the scale of its capacity. */
    private function demand(Prescription $prescription): float
    {
        $dose = $prescription->dose;

        return $this->share($prescription) *
            match (true) {
                $prescription->mode === Mode::Isometric => 0.45 +
                    0.0006 * $dose->sets * ($dose->hold_s ?? 0) +
                    0.002 * ($dose->load_kg ?? 0),
                $prescription->mode->isMoving() => 0.62 +
                    0.0022 * ($dose->load_kg ?? 0) +
                    0.001 * $dose->sets * $dose->reps,
                $prescription->mode === Mode::Plyometric => 0.88 +
                    0.002 * $dose->sets * $dose->reps * ($dose->contacts_per_rep ?? 1),
                $prescription->mode === Mode::Control,
                $prescription->mode === Mode::Mobility,
                $prescription->mode === Mode::SoftTissue
                    => 0.4,
                default => 0.9,
            };
    }

    /** How much of an exercise reaches the structure. */
    private function share(Prescription $prescription): float
    {
        $exercise = $this->catalogue->exercises[$prescription->exercise] ?? null;

        return match (
            $exercise === null || $this->structure === null ? Directness::Target : $exercise->loads($this->structure)
        ) {
            Directness::Target => 1.0,
            Directness::Shared => 0.9,
            Directness::Slight, null => 0.5,
        };
    }

    private function scatter(): float
    {
        return 2 * $this->temper->noise * ($this->draw() + $this->draw() - 1);
    }

    /** From 0 to 1. */
    private function draw(): float
    {
        return $this->chance->getInt(0, 1_000_000) / 1_000_000;
    }

    private static function scale(float $value): int
    {
        return (int) max(0, min(10, round($value)));
    }
}
