<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

/** What sort of athlete is simulated. */
final readonly class Temper
{
    public function __construct(
        /** What the tissue carries at the start; holds ask for about 0.6, springs for about 1.1. */
        public float $capacity = 0.65,
        /** How strongly overload is felt, 0.3 (calm) – 1.5 (hot). */
        public float $irritability = 0.8,
        /** Provocation score at the start, 0–10. */
        public float $soreness = 3.5,
        /** Points of scatter from day to day. */
        public float $noise = 0.5,
        /** Chance, 0–1, that a planned session is done. */
        public float $diligence = 0.9,
        /** Chance, 0–1, that a morning is answered. */
        public float $candour = 0.95,
        /** How fast capacity grows, 1 being usual. */
        public float $pace = 1.0,
    ) {}
}
