<?php

declare(strict_types=1);

namespace App\Papers;

use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Where days and values stand in a drawing of a paper. */
final readonly class Axis
{
    private const MOST_DAYS_NAMED = 6;

    public function __construct(
        private Day $from,
        private Day $until,
        private int|float $low,
        private int|float $high,
        public int $left,
        public int $right,
        public int $top,
        public int $bottom,
    ) {}

    public function x(Day $on): float
    {
        $days = max(1, $this->until->daysSince($this->from));

        return round(
            $this->left + ($this->right - $this->left) * min(1, max(0, $on->daysSince($this->from) / $days)),
            1,
        );
    }

    public function y(int|float $value): float
    {
        return round(
            $this->bottom -
                (($this->bottom - $this->top) * ($value - $this->low)) / max(0.001, $this->high - $this->low),
            1,
        );
    }

    /**
     * @param list<array{Day, int|float}> $points
     *
     * @return string the path of a line through them
     */
    public function line(array $points): string
    {
        return implode(
            ' ',
            array_map(
                fn(int $i, array $point): string => ($i === 0 ? 'M' : 'L') .
                    $this->x($point[0]) .
                    ' ' .
                    $this->y($point[1]),
                array_keys($points),
                $points,
            ),
        );
    }

    /** @return list<array{x: float, words: string}> days that are named under the drawing */
    public function days(): array
    {
        $span = max(1, $this->until->daysSince($this->from));
        $each = (int) ceil($span / self::MOST_DAYS_NAMED / 7) * 7;
        $named = [];
        for ($day = $this->from; !$day->isAfter($this->until); $day = $day->plus($each)) {
            $named[] = ['x' => $this->x($day), 'words' => substr(TimeWords::day($day), 4)];
        }

        return $named;
    }

    /** @return list<int|float> a few round values to name at the side */
    public function values(): array
    {
        $span = $this->high - $this->low;
        $rough = $span / 4;
        $power = 10 ** floor(log10(max(0.001, $rough)));
        $step =
            $power *
            (array_values(array_filter([1, 2, 5, 10], static fn(int $factor): bool => $factor * $power >= $rough))[0] ??
                10);
        $values = [];
        for ($value = ceil($this->low / $step) * $step; $value <= $this->high + $step / 1000; $value += $step) {
            $values[] = round($value, 3);
        }

        return $values;
    }
}
