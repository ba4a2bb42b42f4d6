<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Evaluation\Evaluation;

/** A decision that the simulated practitioner made, with what it rested on. */
final readonly class SimulatedDecision
{
    public function __construct(public Evaluation $evaluation, public PlanStep $step) {}
}
