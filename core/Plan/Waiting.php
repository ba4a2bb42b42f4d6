<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;

/** An exercise that is in the plan and not asked for yet; once begun it stays begun. */
final readonly class Waiting
{
    public function __construct(public Prescription $prescription, public StartsWhen $startsWhen) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->child('prescription', Prescription::read(...)),
            $node->child('starts_when', StartsWhen::read(...)),
        );
    }

    public function with(Prescription $prescription): self
    {
        return new self($prescription, $this->startsWhen);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['starts_when' => $this->startsWhen->toArray(), 'prescription' => $this->prescription->toArray()];
    }
}
