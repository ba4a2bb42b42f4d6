<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Stage\OutcomeBound;

/** A severity score of the practitioner's choice: its name and how it is read. Its items are not ours. */
final readonly class SeverityScore
{
    private function __construct(
        public string $name,
        public int|float $lowest,
        public int|float $highest,
        public bool $higherIsBetter,
        /** The smallest change that matters to the person; null where it is not known. */
        public int|float|null $smallestChange,
        /** The score at the start; null where it was not taken. */
        public int|float|null $score,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $severity = new self(
            $node->key('name'),
            $node->number('lowest', -ObjectNode::LARGEST),
            $node->number('highest', -ObjectNode::LARGEST),
            $node->flag('higher_is_better'),
            $node->numberOrNull('smallest_change'),
            $node->numberOrNull('score', -ObjectNode::LARGEST),
        );
        if ($severity->highest <= $severity->lowest) {
            $node->fault('highest', 'must be over the lowest');
        }
        $fault = $severity->score === null ? null : $severity->faultOf($severity->score);
        if ($fault !== null) {
            $node->fault('score', $fault);
        }

        return $severity;
    }

    /** What is wrong with a result of this score; null where nothing is. */
    public function faultOf(int|float $result): ?string
    {
        return $result < $this->lowest || $result > $this->highest
            ? "must be from $this->lowest to $this->highest, the range of the score"
            : null;
    }

    /**
     * The plan with its severity criteria over this score: programmes write their bound as percent of
     * the way from the worst to the best. Without a score such criteria are taken out, since nothing
     * could ever meet them.
     */
    public static function into(?self $severity, Plan $plan): Plan
    {
        return $plan->mapStages(static function (PlanStage $planned) use ($severity): PlanStage {
            $gate = [];
            foreach ($planned->stage->gate as $criterion) {
                if (!($criterion instanceof OutcomeBound)) {
                    $gate[] = $criterion;
                } elseif ($severity !== null) {
                    $gate[] = $severity->bound($criterion);
                }
            }

            return $planned->withStage($planned->stage->withGate($gate));
        });
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'lowest' => $this->lowest,
            'highest' => $this->highest,
            'higher_is_better' => $this->higherIsBetter,
            'smallest_change' => $this->smallestChange,
            'score' => $this->score,
        ];
    }

    private function bound(OutcomeBound $criterion): OutcomeBound
    {
        $way = ($criterion->needed() / 100) * ($this->highest - $this->lowest);

        return $criterion->over(
            $this->name,
            $this->higherIsBetter ? $this->lowest + $way : $this->highest - $way,
            $this->higherIsBetter,
        );
    }
}
