<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\CriterionType;

/** One criterion of the present gate, as the ladder draws it: what it looks at, and whether it is met. */
final readonly class GatePeg
{
    private function __construct(public CriterionType $type, public CriterionState $state) {}

    public static function fromResult(CriterionResult $result): self
    {
        return new self($result->criterion->type(), $result->state);
    }

    public static function read(ObjectNode $node): self
    {
        return new self($node->choice('type', CriterionType::class), $node->choice('state', CriterionState::class));
    }

    /** @return array{type: string, state: string} */
    public function toArray(): array
    {
        return ['type' => $this->type->value, 'state' => $this->state->value];
    }
}
