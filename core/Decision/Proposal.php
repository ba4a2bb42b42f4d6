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
        /** The new dose where the change is one of dose or takes one back, else null. */
        public ?Dose $dose,
        /** The exercise that it leads to, where it is another one and the ladder is known. */
        public ?string $to = null,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'prescription' => $this->prescription->key,
            'change' => $this->change->value,
            'preferred' => $this->preferred,
            'dose' => $this->dose === null ? null : $this->doseFields($this->dose),
            'to' => $this->to,
        ];
    }

    /** @return array<string, mixed> a changed dose has every field of the one before; what went is null */
    private function doseFields(Dose $dose): array
    {
        $gone =
            $this->change === Change::Dose
                ? array_diff_key($this->prescription->dose->toArray(), $dose->toArray())
                : [];

        return $dose->toArray() + array_fill_keys(array_keys($gone), null);
    }
}
