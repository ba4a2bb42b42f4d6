<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Time\Day;

/** A stage that is still to come: when it has to begin, and when it begins as things stand. */
final readonly class CountdownStage
{
    public function __construct(
        public string $key,
        public Day $mustBegin,
        public Day $soonest,
        /** For a slower athlete; null: later than what was played. */
        public ?Day $latest,
    ) {}

    public function pace(): Pace
    {
        return Pace::judge($this->soonest, $this->latest, $this->mustBegin);
    }
}
