<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Prescription;

/** What is proposed for one prescription. */
final readonly class Proposal
{
    public function __construct(
        public Prescription $prescription,
        public Change $change,
        public bool $preferred,
        /** The new dose where the change is one of dose, else null. */
        public ?Dose $dose,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'prescription' => $this->prescription->key,
            'change' => $this->change->value,
            'preferred' => $this->preferred,
            'dose' => $this->dose?->toArray(),
        ];
    }
}
