<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\SessionKind;

/** So many sessions of sport in full, well tolerated. */
final readonly class SportSessions extends Criterion
{
    private function __construct(
        /** Sessions. */
        public int $min,
    ) {}

    public static function fromFields(ObjectNode $node): self
    {
        return new self($node->whole('min'));
    }

    public function type(): CriterionType
    {
        return CriterionType::SportSessions;
    }

    public function needed(): int
    {
        return $this->min;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        return $this->atLeast($this->full($evidence, $day));
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        $practices = array_filter(
            $evidence->ahead($evidence->today(), $day - 1),
            static fn(PlannedSession $planned): bool => $evidence->isPractice($planned),
        );

        return $this->full($evidence, $day) + count($practices) >= $this->min;
    }

    public function days(Evidence $evidence): array
    {
        $sport = array_values(
            array_filter(
                $evidence->sessions(PHP_INT_MIN, $evidence->today()),
                static fn(DoneSession $session): bool => $session->session->kind === SessionKind::Sport,
            ),
        );

        return self::daysOf($sport, static fn(DoneSession $session): bool => $session->isFullSport());
    }

    private function full(Evidence $evidence, int $day): int
    {
        return count(
            array_filter(
                $evidence->sessions(PHP_INT_MIN, $day),
                static fn(DoneSession $session): bool => $session->isFullSport(),
            ),
        );
    }
}
