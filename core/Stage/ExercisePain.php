<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;

/** Pain in exercise stays low for some days. */
final readonly class ExercisePain extends Criterion
{
    private function __construct(
        /** Pain, 0–10. */
        public int $max,
        public int $days,
        public int $min_sessions,
    ) {}

    public static function of(ObjectNode $node): self
    {
        return new self($node->whole('max', 0, 10), $node->whole('days'), $node->whole('min_sessions'));
    }

    public function type(): CriterionType
    {
        return CriterionType::ExercisePain;
    }

    public function needed(): int
    {
        return $this->max;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        return $this->highest($this->pains($evidence, $day), $this->min_sessions);
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        $hoped = count($evidence->ahead($day - $this->days + 1, $day));

        return $this->isLow($this->pains($evidence, $day), $hoped, $this->min_sessions);
    }

    public function days(Evidence $evidence): array
    {
        $told = array_values(array_filter($this->sessions($evidence, $evidence->today()), fn(DoneSession $one): bool => $this->pain($one) !== null));

        return self::daysOf($told, fn(DoneSession $one): bool => $this->pain($one) <= $this->max);
    }

    private function pain(DoneSession $session): ?int
    {
        return $session->during;
    }

    /** @return list<DoneSession> of the last days up to a day */
    private function sessions(Evidence $evidence, int $day): array
    {
        return $evidence->sessions($day - $this->days + 1, $day);
    }

    /** @return list<int> */
    private function pains(Evidence $evidence, int $day): array
    {
        $pains = [];
        foreach ($this->sessions($evidence, $day) as $session) {
            $pain = $this->pain($session);
            if ($pain !== null) {
                $pains[] = $pain;
            }
        }

        return $pains;
    }
}
