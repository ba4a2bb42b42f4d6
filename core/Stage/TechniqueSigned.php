<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

/** A practitioner has seen the technique and signed that it is sound. */
final readonly class TechniqueSigned extends ByHand
{
    public function type(): CriterionType
    {
        return CriterionType::SignOff;
    }

    public function needed(): int
    {
        return 1;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        return $this->atLeast($evidence->signedOn($day) === null ? 0 : 1);
    }

    protected function datedBy(Evidence $evidence, int $by): ?int
    {
        return $evidence->signedOn($by);
    }
}
