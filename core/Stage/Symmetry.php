<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Strength\Strength;

/** The weaker side has so many percent of the other's strength. */
final readonly class Symmetry extends OverTest
{
    private function __construct(string $test, ?int $within_days, public int|float $min_percent)
    {
        parent::__construct($test, $within_days);
    }

    public static function fromFields(ObjectNode $node): self
    {
        $percent = $node->number('min_percent');
        $within = $node->wholeOrNull('within_days');

        return new self($node->text('test'), $within, $percent);
    }

    public function withTest(string $test): self
    {
        return new self($test, $this->within_days, $this->min_percent);
    }

    public function type(): CriterionType
    {
        return CriterionType::Symmetry;
    }

    public function needed(): int|float
    {
        return $this->min_percent;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        $test = $this->latest($evidence, $day);

        return $this->atLeast(
            $test === null ? null : Strength::symmetry($test->affected, $test->unaffected, $evidence->isBothSides()),
        );
    }
}
