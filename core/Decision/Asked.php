<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Prescription;
use Rung\Core\Number;

/** What the next session asks of one prescription. */
final readonly class Asked
{
    public function __construct(
        public Prescription $prescription,
        public int $reps,
        /** Seconds; null where the dose has no hold. */
        public int|float|null $hold_s,
        /** Seconds; null where the dose has no timed work. */
        public int|float|null $work_s,
        public Because $because,
    ) {}

    /** The dose with the corridor's field replaced by an amount of it. */
    public static function withAmount(Prescription $prescription, int|float|null $amount, Because $because): self
    {
        $dose = $prescription->dose;
        $field = $dose->corridor()?->field;

        return new self(
            $prescription,
            $field === 'reps' && $amount !== null ? (int) $amount : $dose->reps,
            $field === 'hold_s' && $amount !== null ? Number::clean($amount) : $dose->hold_s,
            $field === 'work_s' && $amount !== null ? Number::clean($amount) : $dose->work_s,
            $because,
        );
    }

    /** The prescription as it is asked for next: one amount, and no corridor any more. */
    public function asPrescription(): Prescription
    {
        $amounts = array_filter(
            ['reps' => $this->reps, 'hold_s' => $this->hold_s, 'work_s' => $this->work_s],
            static fn(int|float|null $value): bool => $value !== null,
        );

        return $this->prescription->withDose(
            $this->prescription->dose->with(
                $amounts + [
                    'reps_to' => null,
                    'hold_to_s' => null,
                    'work_to_s' => null,
                    'grow_by' => null,
                    'grow_after' => null,
                ],
            ),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'prescription' => $this->prescription->key,
            'reps' => $this->reps,
            'hold_s' => $this->hold_s,
            'work_s' => $this->work_s,
            'because' => $this->because->value,
        ];
    }
}
