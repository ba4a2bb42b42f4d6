<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;

/** A strength test is better than the first one by so many percent. */
final readonly class TestChange extends OverTest
{
    private function __construct(string $test, ?int $within_days, public int|float $min_percent)
    {
        parent::__construct($test, $within_days);
    }

    public static function fromFields(ObjectNode $node): self
    {
        $percent = $node->number('min_percent', -ObjectNode::LARGEST);
        $within = $node->wholeOrNull('within_days');

        return new self($node->text('test'), $within, $percent);
    }

    public function withTest(string $test): self
    {
        return new self($test, $this->within_days, $this->min_percent);
    }

    public function type(): CriterionType
    {
        return CriterionType::TestChange;
    }

    public function needed(): int|float
    {
        return $this->min_percent;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        $latest = $this->latest($evidence, $day);
        $first = null;
        $count = 0;
        foreach ($evidence->tests($day) as $test) {
            if ($test->test === $this->test) {
                $count++;
                $first = $first === null || $first->on->isAfter($test->on) ? $test : $first;
            }
        }
        $from = $first === null ? 0 : self::affected($first, $evidence);

        return $this->atLeast(
            $latest === null || $count < 2 || $from == 0
                ? null
                : (100 * (self::affected($latest, $evidence) - $from)) / $from,
        );
    }
}
