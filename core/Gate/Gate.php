<?php

declare(strict_types=1);

namespace Rung\Core\Gate;

use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;

/** The gate of a stage with how each of its criteria stands. */
final readonly class Gate
{
    /** @param list<CriterionResult> $criteria in the stage's order */
    public function __construct(public array $criteria) {}

    /** Open when every criterion is met; an empty gate never is. */
    public function isOpen(): bool
    {
        foreach ($this->criteria as $result) {
            if ($result->state !== CriterionState::Met) {
                return false;
            }
        }

        return $this->criteria !== [];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'open' => $this->isOpen(),
            'criteria' => array_map(static fn(CriterionResult $result): array => $result->toArray(), $this->criteria),
        ];
    }
}
