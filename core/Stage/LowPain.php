<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

/** A criterion over a pain of the sessions of some days, the highest of which is to be low. */
abstract readonly class LowPain extends Criterion
{
    public function __construct(
        /** Pain, 0–10. */
        public int $max,
        public int $days,
        public int $min_sessions,
    ) {}

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
        $hoped = $this->canTell($evidence) ? count($evidence->ahead($day - $this->days + 1, $day)) : 0;

        return $this->isLow($this->pains($evidence, $day), $hoped, $this->min_sessions);
    }

    public function days(Evidence $evidence): array
    {
        $answered = array_values(
            array_filter(
                $this->sessions($evidence, $evidence->today()),
                fn(DoneSession $session): bool => $this->pain($session) !== null,
            ),
        );

        return self::daysOf($answered, fn(DoneSession $session): bool => $this->pain($session) <= $this->max);
    }

    /** Whether a session that is done as planned would be a reading. */
    protected function canTell(Evidence $evidence): bool
    {
        return true;
    }

    /** The pain that counts, 0–10; null where a session is no reading. */
    abstract protected function pain(DoneSession $session): ?int;

    /** @return list<DoneSession> of the last days up to a day */
    private function sessions(Evidence $evidence, int $day): array
    {
        return $evidence->sessions($day - $this->days + 1, $day);
    }

    /** @return list<int> */
    private function pains(Evidence $evidence, int $day): array
    {
        return array_values(
            array_filter(
                array_map($this->pain(...), $this->sessions($evidence, $day)),
                static fn(?int $pain): bool => $pain !== null,
            ),
        );
    }
}
