<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\Number;

/** What a moving baseline hides: the weekly mean of the provocation score drifting up. */
final readonly class Creep
{
    private const MIN_READINGS = 3;

    private const CREEPING_OVER = 1.0;

    private function __construct(
        public CreepState $state,
        /** Mean score of the last 7 days; null without any. */
        public int|float|null $thisWeek,
        /** Mean score of the 7 days before. */
        public int|float|null $lastWeek,
    ) {}

    /** Of the last 7 days against the 7 before, or of the weeks that ended so many days ago. */
    public static function of(Log $log, int $endingDaysAgo = 0): self
    {
        $recent = $log->scores(7, $endingDaysAgo);
        $last = $log->scores(7, $endingDaysAgo + 7);
        $state = match (true) {
            count($recent) < self::MIN_READINGS || count($last) < self::MIN_READINGS => CreepState::NoData,
            Number::over(self::mean($recent) - self::mean($last), self::CREEPING_OVER) => CreepState::Creeping,
            default => CreepState::Steady,
        };

        return new self(
            $state,
            $recent === [] ? null : self::mean($recent),
            $last === [] ? null : self::mean($last),
        );
    }

    public function isCreeping(): bool
    {
        return $this->state === CreepState::Creeping;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'state' => $this->state->value,
            'this_week' => $this->thisWeek === null ? null : Number::hundredth($this->thisWeek),
            'last_week' => $this->lastWeek === null ? null : Number::hundredth($this->lastWeek),
        ];
    }

    /** @param non-empty-list<int> $scores */
    public static function mean(array $scores): int|float
    {
        return array_sum($scores) / count($scores);
    }
}
