<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;

/** A number of days without an answer that was too much, with enough sessions to judge by. */
final readonly class CleanDays extends Criterion
{
    private function __construct(
        /** Days. */
        public int $min,
        public ?int $min_sessions,
    ) {}

    public static function fromFields(ObjectNode $node): self
    {
        return new self($node->whole('min'), $node->wholeOrNull('min_sessions'));
    }

    public function type(): CriterionType
    {
        return CriterionType::CleanDays;
    }

    public function needed(): int
    {
        return $this->min;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        $days = $day - $this->cleanSince($evidence, $day);
        $judged = count(
            array_filter(
                $evidence->sessions($day - $this->min + 1, $day),
                static fn(DoneSession $session): bool => $session->isJudged,
            ),
        );

        return $judged < ($this->min_sessions ?? 1)
            ? new CriterionResult($this, CriterionState::NoData, $days)
            : $this->atLeast($days);
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        $next = $evidence->nextMorning();
        $judged = count(
            array_filter(
                $evidence->sessions($day - $this->min + 1, $day),
                static fn(DoneSession $session): bool => $session->isJudged ||
                    ($session->isPending && max($session->day + 1, $next) <= $day),
            ),
        );
        $judged += count($evidence->ahead($day - $this->min + 1, $day - 1));

        return $day - $this->cleanSince($evidence, $day) >= $this->min && $judged >= ($this->min_sessions ?? 1);
    }

    public function days(Evidence $evidence): array
    {
        $judged = array_values(
            array_filter(
                $evidence->sessions($evidence->today() - $this->min + 1, $evidence->today()),
                static fn(DoneSession $session): bool => $session->isJudged,
            ),
        );

        return self::daysOf($judged, static fn(DoneSession $session): bool => !$session->isTooMuch);
    }

    /** The last day, up to a day, with an answer that was too much; the stage's first day where there was none. */
    private function cleanSince(Evidence $evidence, int $day): int
    {
        $since = $evidence->stageFrom();
        foreach ($evidence->sessions(PHP_INT_MIN, $day) as $session) {
            $since = $session->isTooMuch ? max($since, $session->day) : $since;
        }

        return $since;
    }
}
