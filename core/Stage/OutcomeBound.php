<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;

/** A score lies on the better side of a bound, in its own unit. */
final readonly class OutcomeBound extends OverOutcome
{
    private function __construct(string $measure, public int|float|null $min, public int|float|null $max)
    {
        parent::__construct($measure);
    }

    public static function fromFields(ObjectNode $node): self
    {
        $min = $node->numberOrNull('min', -ObjectNode::LARGEST);
        $max = $node->numberOrNull('max', -ObjectNode::LARGEST);
        $criterion = new self($node->text('measure'), $min, $max);
        if ($node->has('min') === $node->has('max')) {
            $node->faultHere('must have either min or max');
        }

        return $criterion;
    }

    /** The same criterion over a score, which is to lie on the better side of a bound. */
    public function over(string $measure, int|float $bound, bool $higherIsBetter): self
    {
        return new self($measure, $higherIsBetter ? $bound : null, $higherIsBetter ? null : $bound);
    }

    public function type(): CriterionType
    {
        return CriterionType::Outcome;
    }

    public function needed(): int|float
    {
        return $this->min ?? ($this->max ?? 1);
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        $score = $this->latest($evidence, $day)?->score;

        return $this->min !== null ? $this->atLeast($score) : $this->atMost($score);
    }
}
