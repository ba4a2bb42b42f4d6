<?php

declare(strict_types=1);

namespace Database\Seeders;

use Rung\Core\Record\Goal;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Simulation\Story;

/** A made-up performer of the demo practice and the story of the case. */
final readonly class DemoPerformer
{
    public function __construct(
        public string $name,
        public string $act,
        public float $mass,
        public Goal $goal,
        public Structure $structure,
        public Side $side,
        /** Of the chance in the story. */
        public int $seed,
        public Story $story,
        public string $programme,
    ) {}
}
