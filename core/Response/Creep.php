<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\Number;

/**
 * What a moving baseline hides: the weekly mean of the provocation score drifting up, against the week before or against
 * the best of four weeks (docs/rules.md, "The 24-hour response").
 */
final readonly class Creep
{
    private const MIN_READINGS = 3;

    /** A mean at or under this is not worth a word, whatever it was before. */
    private const LOW = 1.5;

    private const OVER_LAST_WEEK = 1.0;

    private const OVER_LOWEST = 1.5;

    private const WEEKS_BACK = 4;

    private function __construct(
        public CreepState $state,
        /** Mean score of the last 7 days; null without any. */
        public int|float|null $thisWeek,
        /** Mean score of the 7 days before. */
        public int|float|null $lastWeek,
        /** The lowest mean of the four weeks before this one, of those with at least three scores; null where there is none. */
        public int|float|null $lowest,
    ) {}

    /** Of the last 7 days against the weeks before, or of the week that ended so many days ago. */
    public static function fromLog(Log $log, int $endingDaysAgo = 0): self
    {
        $weeks = [];
        for ($week = 0; $week <= self::WEEKS_BACK; $week++) {
            $weeks[] = $log->scores(7, $endingDaysAgo + 7 * $week);
        }
        $enough = array_map(static fn(array $scores): bool => count($scores) >= self::MIN_READINGS, $weeks);
        $means = array_map(
            static fn(array $scores): int|float|null => $scores === [] ? null : self::mean($scores),
            $weeks,
        );
        $before = array_filter(
            array_slice($means, 1, null, true),
            static fn(int|float|null $mean, int $week): bool => $mean !== null && $enough[$week],
            ARRAY_FILTER_USE_BOTH,
        );
        $lowest = $before === [] ? null : min($before);
        $state = match (true) {
            !$enough[0] || !$enough[1] || $means[0] === null || $means[1] === null => CreepState::NoData,
            Number::over($means[0], self::LOW) &&
                (Number::over($means[0] - $means[1], self::OVER_LAST_WEEK) ||
                    Number::over($means[0] - ($lowest ?? $means[1]), self::OVER_LOWEST))
                => CreepState::Creeping,
            default => CreepState::Steady,
        };

        return new self($state, $means[0], $means[1], $lowest);
    }

    public function isCreeping(): bool
    {
        return $this->state === CreepState::Creeping;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $rounded = static fn(int|float|null $mean): int|float|null => $mean === null ? null : Number::hundredth($mean);

        return [
            'state' => $this->state->value,
            'this_week' => $rounded($this->thisWeek),
            'last_week' => $rounded($this->lastWeek),
            'lowest' => $rounded($this->lowest),
        ];
    }

    /** @param non-empty-list<int> $scores */
    public static function mean(array $scores): int|float
    {
        return array_sum($scores) / count($scores);
    }
}
