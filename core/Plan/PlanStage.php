<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Slot;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Stage\Stage;

/** A stage with its calendar: which kinds of session it has, how they follow each other, and what begins later. */
final readonly class PlanStage
{
    /**
     * @param list<Slot> $slots
     * @param list<Waiting> $waiting what is not asked for yet
     */
    public function __construct(
        public Stage $stage,
        public array $slots,
        public Rhythm $rhythm,
        public array $waiting = [],
    ) {}

    public static function read(ObjectNode $node): self
    {
        $slots = $node->each('slots', Slot::readTitled(...));
        $rhythm = $node->child('rhythm', Rhythm::read(...));
        $planned = new self(Stage::read($node), $slots, $rhythm, $node->eachOrEmpty('waiting', Waiting::read(...)));
        $inTurn = array_column($planned->inTurn(), 'key');
        if ($slots !== [] && $inTurn === []) {
            $node->fault('slots', 'must hold one that takes its turn in the rhythm of the stage');
        }
        foreach ($rhythm->cycle ?? [] as $i => $key) {
            if (!in_array($key, $inTurn, true)) {
                $node->inItem("rhythm/cycle/$i", 'must name a slot of the stage that has no days of its own');
            }
        }
        $keys = array_column($slots, 'key');
        foreach ($planned->stage->prescriptions as $i => $prescription) {
            if (!in_array($prescription->slot, $keys, true)) {
                $node->inItem("prescriptions/$i/slot", 'must name a slot of the stage');
            }
        }
        foreach ($planned->waiting as $i => $waiting) {
            if (!in_array($waiting->prescription->slot, $keys, true)) {
                $node->inItem("waiting/$i/prescription/slot", 'must name a slot of the stage');
            }
        }

        return $planned;
    }

    public function slot(?string $key): ?Slot
    {
        foreach ($this->slots as $slot) {
            if ($slot->key === $key) {
                return $slot;
            }
        }

        return null;
    }

    /** @return list<Slot> those that take their turn in the stage's rhythm */
    public function inTurn(): array
    {
        return array_values(array_filter($this->slots, static fn(Slot $slot): bool => $slot->beside === null));
    }

    /** @return list<Prescription> what is asked for, and what begins later */
    public function prescriptions(): array
    {
        return [...$this->stage->prescriptions, ...array_column($this->waiting, 'prescription')];
    }

    public function withStage(Stage $stage): self
    {
        return new self($stage, $this->slots, $this->rhythm, $this->waiting);
    }

    /** @param callable(Prescription): Prescription $change of what is asked for, and of what begins later */
    public function mapPrescriptions(callable $change): self
    {
        return new self(
            $this->stage->withPrescriptions(array_map($change, $this->stage->prescriptions)),
            $this->slots,
            $this->rhythm,
            array_map(
                static fn(Waiting $waiting): Waiting => $waiting->with($change($waiting->prescription)),
                $this->waiting,
            ),
        );
    }

    /** @param callable(Slot): Slot $change */
    public function mapSlots(callable $change): self
    {
        return new self($this->stage, array_map($change, $this->slots), $this->rhythm, $this->waiting);
    }

    /** @param callable(Waiting): bool $begins */
    public function beginning(callable $begins): self
    {
        $begun = array_column(array_values(array_filter($this->waiting, $begins)), 'prescription');

        return new self(
            $this->stage->withPrescriptions([...$this->stage->prescriptions, ...$begun]),
            $this->slots,
            $this->rhythm,
            array_values(array_filter($this->waiting, static fn(Waiting $waiting): bool => !$begins($waiting))),
        );
    }

    /** The same for somebody with both sides affected. */
    public function onBothSides(): self
    {
        return $this->mapPrescriptions(
            static fn(Prescription $prescription): Prescription => $prescription->onBothSides(),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->stage->toArray() +
            array_filter(
                [
                    'slots' => array_map(static fn(Slot $slot): array => $slot->toArray(), $this->slots),
                    'rhythm' => $this->rhythm->toArray(),
                    'waiting' =>
                        $this->waiting === []
                            ? null
                            : array_map(static fn(Waiting $waiting): array => $waiting->toArray(), $this->waiting),
                ],
                static fn(?array $value): bool => $value !== null,
            );
    }
}
