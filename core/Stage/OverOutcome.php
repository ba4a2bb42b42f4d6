<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Record\Outcome;

/** A criterion over a severity or function score. */
abstract readonly class OverOutcome extends ByHand
{
    public function __construct(public string $measure) {}

    /** The newest score, up to a day. */
    protected function latest(Evidence $evidence, int $day): ?Outcome
    {
        $latest = null;
        foreach ($this->scores($evidence, $day) as $outcome) {
            $latest = $latest === null || $outcome->on->number >= $latest->on->number ? $outcome : $latest;
        }

        return $latest;
    }

    /** @return list<Outcome> of its measure, up to a day */
    protected function scores(Evidence $evidence, int $day): array
    {
        return array_values(
            array_filter($evidence->outcomes($day), fn(Outcome $outcome): bool => $outcome->measure === $this->measure),
        );
    }

    protected function datedBy(Evidence $evidence, int $by): ?int
    {
        return $this->latest($evidence, $by)?->on->number;
    }
}
