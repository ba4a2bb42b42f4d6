<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Number;

/** How one criterion of a gate stands. */
final readonly class CriterionResult
{
    public function __construct(
        public Criterion $criterion,
        public CriterionState $state,
        /** In the unit of what it looks at; under no_data what could still be computed. */
        public int|float|null $value,
    ) {}

    /** @return array{type: string, state: string, value: int|float|null, needed: int|float} */
    public function toArray(): array
    {
        return [
            'type' => $this->criterion->type()->value,
            'state' => $this->state->value,
            'value' => $this->value === null ? null : Number::tenth($this->value),
            'needed' => $this->criterion->needed(),
        ];
    }
}
