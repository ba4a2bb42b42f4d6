<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Number;

/** What a dose amounts to; null where it has no such figure or it is unknown. */
final readonly class DoseFigures
{
    public function __construct(
        /** Seconds of one set of one limb. */
        public int|float|null $set_s,
        /** Seconds, per limb. */
        public int|float|null $time_under_tension_s,
        /** Seconds from the first repetition to the last, rests and both limbs included. */
        public int|float $duration_s,
        /** Kilograms lifted in all, per limb; moving modes alone. */
        public int|float|null $volume_load_kg,
        /** Landings; plyometric alone. */
        public int|float|null $contacts,
    ) {}

    /** @return array<string, int|float|null> rounded as they are shown */
    public function toArray(): array
    {
        $rounded = static fn(int|float|null $figure): int|float|null => $figure === null
            ? null
            : Number::tenth($figure);

        return [
            'set_s' => $rounded($this->set_s),
            'time_under_tension_s' => $rounded($this->time_under_tension_s),
            'duration_s' => $rounded($this->duration_s),
            'volume_load_kg' => $rounded($this->volume_load_kg),
            'contacts' => $rounded($this->contacts),
        ];
    }
}
