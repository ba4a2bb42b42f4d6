<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** The morning test stays low for some days. */
final readonly class Provocation extends Criterion
{
    private function __construct(
        /** Score, 0–10. */
        public int $max,
        public int $days,
        public int $min_readings,
    ) {}

    public static function fromFields(ObjectNode $node): self
    {
        return new self($node->whole('max', 0, 10), $node->whole('days'), $node->whole('min_readings'));
    }

    public function type(): CriterionType
    {
        return CriterionType::Provocation;
    }

    public function needed(): int
    {
        return $this->max;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        return $this->highest(array_column($this->scores($evidence, $day), 'score'), $this->min_readings);
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        $toAnswer = max(0, $day - max($day - $this->days + 1, $evidence->nextMorning()) + 1);

        return $this->isLow(array_column($this->scores($evidence, $day), 'score'), $toAnswer, $this->min_readings);
    }

    public function days(Evidence $evidence): array
    {
        return array_map(
            fn(array $score): EvidenceDay => new EvidenceDay(
                Day::fromNumber($score['day']),
                $score['score'] <= $this->max,
            ),
            $this->scores($evidence, $evidence->today()),
        );
    }

    /** @return list<array{day: int, score: int}> of the last days up to a day */
    private function scores(Evidence $evidence, int $day): array
    {
        return $evidence->scores($day - $this->days + 1, $day);
    }
}
