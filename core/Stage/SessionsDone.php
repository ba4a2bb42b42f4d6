<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\PlannedSession;

/** So many percent of what was planned before today was done. */
final readonly class SessionsDone extends Criterion
{
    private function __construct(public int|float $min_percent, public ?int $days) {}

    public static function fromFields(ObjectNode $node): self
    {
        return new self($node->number('min_percent', 0, 100), $node->wholeOrNull('days'));
    }

    public function type(): CriterionType
    {
        return CriterionType::Adherence;
    }

    public function needed(): int|float
    {
        return $this->min_percent;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        return $this->atLeast($this->percent($evidence, $day, $evidence->isBegun(...)));
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        $done = static fn(PlannedSession $planned): bool => $evidence->isBegun($planned) ||
            $planned->on->number >= $evidence->today();

        return $this->atLeast($this->percent($evidence, $day, $done))->state === CriterionState::Met;
    }

    public function days(Evidence $evidence): array
    {
        return array_map(
            static fn(PlannedSession $planned): EvidenceDay => new EvidenceDay(
                $planned->on,
                $evidence->isBegun($planned),
            ),
            $this->due($evidence, $evidence->today()),
        );
    }

    /** @return list<PlannedSession> of the days before a day */
    private function due(Evidence $evidence, int $day): array
    {
        return $evidence->planned($day - ($this->days ?? self::ADHERENCE_DAYS), $day - 1);
    }

    /**
     * Whole percent, rounded down; null where nothing was due.
     *
     * @param callable(PlannedSession): bool $isDone
     */
    private function percent(Evidence $evidence, int $day, callable $isDone): ?int
    {
        $due = $this->due($evidence, $day);

        return $due === [] ? null : intdiv(100 * count(array_filter($due, $isDone)), count($due));
    }
}
