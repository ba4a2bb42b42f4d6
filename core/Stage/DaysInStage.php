<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** So many days in the stage. */
final readonly class DaysInStage extends Criterion
{
    private function __construct(
        /** Days. */
        public int $min,
    ) {}

    public static function fromFields(ObjectNode $node): self
    {
        return new self($node->whole('min'));
    }

    public function type(): CriterionType
    {
        return CriterionType::DaysInStage;
    }

    public function needed(): int
    {
        return $this->min;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        return $this->atLeast($day - $evidence->stageFrom());
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        return $day - $evidence->stageFrom() >= $this->min;
    }

    public function days(Evidence $evidence): array
    {
        return array_map(
            static fn(int $day): EvidenceDay => new EvidenceDay(Day::fromNumber($day), true),
            range($evidence->stageFrom(), $evidence->today()),
        );
    }
}
