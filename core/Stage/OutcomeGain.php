<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;

/** A score is better than the first one, by so much in its own unit. */
final readonly class OutcomeGain extends OverOutcome
{
    private function __construct(string $measure, public int|float $min, public Better $better)
    {
        parent::__construct($measure);
    }

    public static function fromFields(ObjectNode $node): self
    {
        $min = $node->number('min', -ObjectNode::LARGEST);

        return new self($node->text('measure'), $min, $node->choice('better', Better::class));
    }

    public function type(): CriterionType
    {
        return CriterionType::OutcomeGain;
    }

    public function needed(): int|float
    {
        return $this->min;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        $scores = $this->scores($evidence, $day);
        $first = null;
        foreach ($scores as $score) {
            $first = $first === null || $first->on->isAfter($score->on) ? $score : $first;
        }
        $latest = $this->latest($evidence, $day);
        $gain = $latest === null || $first === null || count($scores) < 2 ? null : $latest->score - $first->score;

        return $this->atLeast($gain === null ? null : ($this->better === Better::Lower ? -$gain : $gain));
    }
}
