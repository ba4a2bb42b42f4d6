<?php

declare(strict_types=1);

namespace Database\Seeders;

use Rung\Core\CaseFile\Goal;
use Rung\Core\CaseFile\Side;
use Rung\Core\CaseFile\Structure;
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
