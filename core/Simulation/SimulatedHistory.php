<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Plan\Plan;

/** A case with its simulated past. */
final readonly class SimulatedHistory
{
    /** @param list<SimulatedDecision> $decisions oldest first */
    public function __construct(public CaseFile $file, public Plan $plan, public array $decisions) {}
}
