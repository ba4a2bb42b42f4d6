<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Attention\WeekLoad;
use Rung\Core\Number;
use Rung\Core\Time\Day;

/** What one week amounts to, from Monday to Sunday (docs/rules.md, "A week's sums"). */
final readonly class WeekSum
{
    /**
     * @param list<WeekLoad> $done of each session that was done
     * @param list<WeekLoad> $ahead of each session that is planned and not done yet, with the doses that the next one asks for
     * @param list<self> $before the two weeks before
     */
    public function __construct(
        public Day $monday,
        private array $done,
        private array $ahead,
        private array $before,
        /** Percent by which a week may grow, 0–100. */
        public int|float $growthMaxPercent,
    ) {}

    /** Seconds, kilograms, landings, minutes or minutes × effort, by the name that WeekLoad gives it. */
    public function done(string $figure): int|float
    {
        return self::sum($this->done, $figure);
    }

    public function ahead(string $figure): int|float
    {
        return self::sum($this->ahead, $figure);
    }

    public function total(string $figure): int|float
    {
        return Number::tenth($this->done($figure) + $this->ahead($figure));
    }

    /** How much the school's growth allows; null where there was nothing in the two weeks before. */
    public function limit(string $figure): int|float|null
    {
        $most = $this->usual($figure);

        return $most > 0 ? Number::tenth($most * (1 + $this->growthMaxPercent / 100)) : null;
    }

    /** Percent by which it is more than in the weeks before; negative where it is less. */
    public function growthPercent(string $figure): int|float|null
    {
        $most = $this->usual($figure);

        return $most > 0 ? 100 * ($this->total($figure) / $most - 1) : null;
    }

    public function isOver(string $figure): bool
    {
        $limit = $this->limit($figure);

        return $limit !== null && Number::over($this->total($figure), $limit);
    }

    /**
     * The most of either week before: after one lean week the usual is not growth. Every other day comes three times in one
     * week and four times in the next: where there is one session more than in that week, as much more as it holds is usual.
     */
    private function usual(string $figure): int|float
    {
        $usual = 0;
        foreach ($this->before as $week) {
            $times = $week->times($figure);
            $usual = max(
                $usual,
                $week->total($figure) * ($this->times($figure) === $times + 1 ? ($times + 1) / max(1, $times) : 1),
            );
        }

        return $usual;
    }

    /** Sessions that had any of it. */
    private function times(string $figure): int
    {
        return count(
            array_filter(
                [...$this->done, ...$this->ahead],
                static fn(WeekLoad $weekLoad): bool => self::sum([$weekLoad], $figure) > 0,
            ),
        );
    }

    /** @param list<WeekLoad> $loads */
    private static function sum(array $loads, string $figure): int|float
    {
        return Number::tenth(
            array_sum(
                array_map(static fn(WeekLoad $weekLoad): int|float => $weekLoad->toArray()[$figure] ?? 0, $loads),
            ),
        );
    }
}
