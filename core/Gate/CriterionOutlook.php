<?php

declare(strict_types=1);

namespace Rung\Core\Gate;

use Rung\Core\Number;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\EvidenceDay;
use Rung\Core\Time\Day;

/** How a criterion stands in time (docs/rules.md, "The gate in time"). */
final readonly class CriterionOutlook
{
    /** @param list<EvidenceDay> $days that it looks at, oldest first */
    public function __construct(
        public CriterionResult $result,
        /** The first day of the unbroken run of days on which it is met; null where it is not met today. */
        public ?Day $since,
        /** The first day, today or later, on which it can be met; null where it is met, or no day can be named. */
        public ?Day $earliest,
        public array $days,
    ) {}

    /** How far the value is from what is needed, in its own unit; null where there is no value or it is met. */
    public function distance(): int|float|null
    {
        $value = $this->result->value;

        return $value === null || $this->result->state === CriterionState::Met
            ? null
            : Number::clean(abs($this->result->criterion->needed() - $value));
    }
}
