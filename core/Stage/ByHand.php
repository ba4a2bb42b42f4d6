<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Time\Day;

/** A criterion over something that a person does when they like: it can be done today. */
abstract readonly class ByHand extends Criterion
{
    public function isByHand(): bool
    {
        return true;
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        return true;
    }

    public function days(Evidence $evidence): array
    {
        $on = $this->datedBy($evidence, $evidence->today());

        return $on === null
            ? []
            : [
                new EvidenceDay(
                    Day::fromNumber($on),
                    $this->on($evidence, $evidence->today())->state === CriterionState::Met,
                ),
            ];
    }

    /** The day of the test, score or signature that it rests on, up to a day. */
    abstract protected function datedBy(Evidence $evidence, int $by): ?int;
}
