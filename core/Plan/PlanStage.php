<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Slot;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Stage\Stage;

/** A stage with its calendar: which kinds of session it has and how they follow each other. */
final readonly class PlanStage
{
    /** @param list<Slot> $slots */
    public function __construct(public Stage $stage, public array $slots, public Rhythm $rhythm) {}

    public static function read(ObjectNode $node): self
    {
        $slots = $node->each('slots', Slot::readTitled(...));
        $rhythm = $node->child('rhythm', Rhythm::read(...));
        $stage = Stage::read($node);
        $keys = array_column($slots, 'key');
        foreach ($rhythm->cycle ?? [] as $i => $key) {
            if (!in_array($key, $keys, true)) {
                $node->inItem("rhythm/cycle/$i", 'must name a slot of the stage');
            }
        }
        foreach ($stage->prescriptions as $i => $prescription) {
            if (!in_array($prescription->slot, $keys, true)) {
                $node->inItem("prescriptions/$i/slot", 'must name a slot of the stage');
            }
        }

        return new self($stage, $slots, $rhythm);
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

    public function withStage(Stage $stage): self
    {
        return new self($stage, $this->slots, $this->rhythm);
    }

    /** The same for somebody with both sides affected. */
    public function onBothSides(): self
    {
        return $this->withStage($this->stage->withPrescriptions(array_map(static fn(Prescription $one): Prescription => $one->onBothSides(), $this->stage->prescriptions)));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->stage->toArray() + [
            'slots' => array_map(static fn(Slot $slot): array => $slot->toArray(), $this->slots),
            'rhythm' => $this->rhythm->toArray(),
        ];
    }
}
