<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;

/** A strength test reaches a value, in its own unit. */
final readonly class TestValue extends OverTest
{
    private function __construct(string $test, ?int $within_days, public int|float $min)
    {
        parent::__construct($test, $within_days);
    }

    public static function fromFields(ObjectNode $node): self
    {
        $min = $node->number('min');
        $within = $node->wholeOrNull('within_days');

        return new self($node->text('test'), $within, $min);
    }

    public function withTest(string $test): self
    {
        return new self($test, $this->within_days, $this->min);
    }

    public function type(): CriterionType
    {
        return CriterionType::TestValue;
    }

    public function needed(): int|float
    {
        return $this->min;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        $test = $this->latest($evidence, $day);

        return $this->atLeast($test === null ? null : self::affected($test, $evidence));
    }
}
