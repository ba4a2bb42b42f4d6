<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

use InvalidArgumentException;
use Rung\Core\Number;

/**
 * What is read from the force curve of one try: newtons and seconds, from the start of the recording where nothing else
 * is said, unrounded (docs/rules.md, "A force curve").
 */
final readonly class CurveFigures
{
    /** Milliseconds at either end over which a gauge at rest is looked at. */
    private const REST_MS = 250;

    /** A gauge is at rest while it shows less than this share of the highest force. */
    private const REST_SHARE = 0.1;

    /** Milliseconds to either side over which a sample is smoothed. */
    private const SMOOTH_MS = 25;

    /** The pull lasts while the force is at or over this share of the peak. */
    private const PULL_SHARE = 0.05;

    private const NEARLY = 0.9;

    /** Milliseconds over which the steepest rise is looked for. */
    private const RISE_MS = 100;

    private const SECOND_MS = 1000;

    private function __construct(
        public float $zero,
        public float $peak,
        public float $peakAt,
        public float $onset,
        public float $end,
        /** Null where the pull lasts less than a second. */
        public ?float $bestSecond,
        /** Seconds from the onset. */
        public float $timeTo90,
        /** Newtons a second. */
        public float $rateOfRise,
        /** Newton-seconds. */
        public float $impulse,
        /** How far the gauge stands from its zero at the end; null where the recording does not end at rest. */
        public ?float $drift,
    ) {}

    /** @throws InvalidArgumentException where nothing was pulled */
    public static function fromCurve(ForceCurve $curve): self
    {
        $ms = $curve->ms;
        if ($ms === [] || $curve->newtons === []) {
            throw new InvalidArgumentException('holds no samples');
        }
        $zero =
            self::atRest(
                self::mean($curve->newtons, 0, self::indexAfter($ms, $ms[0] + self::REST_MS)),
                max($curve->newtons),
            ) ?? 0.0;
        $force = array_map(static fn(int|float $value): float => $value - $zero, $curve->newtons);
        $smooth = self::smoothed($ms, $force);
        $peak = $smooth === [] ? 0.0 : max($smooth);
        if (Number::under($peak, ForceCurve::LEAST_PULL_N)) {
            throw new InvalidArgumentException(
                'never rises ' .
                    ForceCurve::LEAST_PULL_N .
                    ' N over its start: nothing was pulled, or the gauge pointed the other way',
            );
        }
        $top = (int) array_search($peak, $smooth, true);
        [$from, $to] = self::pull($smooth, $top, self::PULL_SHARE * $peak);
        $nearly = $from;
        while ($smooth[$nearly] < self::NEARLY * $peak) {
            $nearly++;
        }
        $last = count($ms) - 1;
        $sums = self::sums($ms, $force);

        return new self(
            $zero,
            $peak,
            ($ms[$top] - $ms[0]) / 1000,
            ($ms[$from] - $ms[0]) / 1000,
            ($ms[$to] - $ms[0]) / 1000,
            self::highestMean($ms, $force, $sums, $from, $to),
            ($ms[$nearly] - $ms[$from]) / 1000,
            self::steepest($ms, $smooth, $from, $top),
            ($sums[$to] - $sums[$from]) / 1000,
            self::atRest(self::mean($force, self::indexAfter($ms, $ms[$last] - self::REST_MS), $last + 1), $peak),
        );
    }

    /**
     * How long the force stayed in a band, of the time between its first and its last moment at or over the low end.
     *
     * @param int|float $low newtons
     * @param int|float $high newtons
     *
     * @return array{seconds: float, percent: float} both 0 where the low end was never reached
     */
    public function inBand(ForceCurve $curve, int|float $low, int|float $high): array
    {
        $smooth = self::smoothed(
            $curve->ms,
            array_map(fn(int|float $value): float => $value - $this->zero, $curve->newtons),
        );
        $reached = array_keys(array_filter($smooth, static fn(float $force): bool => Number::atLeast($force, $low)));
        if (count($reached) < 2) {
            return ['seconds' => 0.0, 'percent' => 0.0];
        }
        [$first, $last] = [$reached[0], $reached[count($reached) - 1]];
        $inside = 0;
        for ($i = $first; $i < $last; $i++) {
            // A sample stands until the next one.
            if (Number::atLeast($smooth[$i], $low) && Number::atMost($smooth[$i], $high)) {
                $inside += $curve->ms[$i + 1] - $curve->ms[$i];
            }
        }

        return ['seconds' => $inside / 1000, 'percent' => (100 * $inside) / ($curve->ms[$last] - $curve->ms[$first])];
    }

    /** @param list<int|float> $values */
    private static function mean(array $values, int $from, int $until): float
    {
        return $until > $from ? array_sum(array_slice($values, $from, $until - $from)) / ($until - $from) : 0.0;
    }

    /** A level of the gauge where it counts as rest beside the highest force. */
    private static function atRest(float $level, int|float $highest): ?float
    {
        return $highest > 0 && abs($level) < self::REST_SHARE * $highest ? $level : null;
    }

    /**
     * The index of the first sample later than a moment.
     *
     * @param list<int|float> $ms
     */
    private static function indexAfter(array $ms, int|float $moment): int
    {
        [$low, $high] = [0, count($ms)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($ms[$middle] > $moment) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }

    /**
     * The mean of the samples around each.
     *
     * @param list<int|float> $ms
     * @param list<float> $force
     *
     * @return list<float>
     */
    private static function smoothed(array $ms, array $force): array
    {
        $count = count($ms);
        $from = $until = 0;
        $sum = 0.0;
        $smooth = [];
        foreach ($ms as $at) {
            for (; $until < $count && $ms[$until] <= $at + self::SMOOTH_MS; $until++) {
                $sum += $force[$until];
            }
            for (; $ms[$from] < $at - self::SMOOTH_MS; $from++) {
                $sum -= $force[$from];
            }
            $smooth[] = $sum / ($until - $from);
        }

        return $smooth;
    }

    /**
     * The first and the last sample of the pull around its peak.
     *
     * @param list<float> $smooth
     *
     * @return array{int, int}
     */
    private static function pull(array $smooth, int $top, float $least): array
    {
        [$from, $to] = [$top, $top];
        while ($from > 0 && $smooth[$from - 1] >= $least) {
            $from--;
        }
        while ($to < count($smooth) - 1 && $smooth[$to + 1] >= $least) {
            $to++;
        }

        return [$from, $to];
    }

    /**
     * The area under the curve up to each sample, in newton-milliseconds.
     *
     * @param list<int|float> $ms
     * @param list<float> $force
     *
     * @return list<float>
     */
    private static function sums(array $ms, array $force): array
    {
        $sum = $before = $last = 0.0;
        $sums = [];
        foreach ($ms as $i => $at) {
            $here = $force[$i];
            $sum += $i === 0 ? 0.0 : (($here + $last) / 2) * ($at - $before);
            $sums[] = $sum;
            [$last, $before] = [$here, $at];
        }

        return $sums;
    }

    /**
     * The highest mean force of any one second of the pull.
     *
     * @param list<int|float> $ms
     * @param list<float> $force
     * @param list<float> $sums
     */
    private static function highestMean(array $ms, array $force, array $sums, int $from, int $to): ?float
    {
        $best = null;
        $j = $from;
        $last = $ms[$to];
        for ($i = $from; $i <= $to; $i++) {
            $until = $ms[$i] + self::SECOND_MS;
            if ($until > $last) {
                break;
            }
            while ($ms[$j + 1] < $until) {
                $j++;
            }
            // The second ends between two samples: the force there lies on the line between them.
            $here = $force[$j];
            $part = $until - $ms[$j];
            $there = $here + (($force[$j + 1] - $here) * $part) / ($ms[$j + 1] - $ms[$j]);
            $area = $sums[$j] - $sums[$i] + (($here + $there) / 2) * $part;
            if ($best === null || $area > $best) {
                $best = $area;
            }
        }

        return $best === null ? null : $best / self::SECOND_MS;
    }

    /**
     * The steepest mean rise over a tenth of a second up to the peak; of a shorter rise the whole.
     *
     * @param list<int|float> $ms
     * @param list<float> $smooth
     */
    private static function steepest(array $ms, array $smooth, int $from, int $top): float
    {
        $steepest = 0.0;
        for ($i = $j = $from; $i < $top; $i++) {
            while ($j < $top && $ms[$j] < $ms[$i] + self::RISE_MS) {
                $j++;
            }
            if ($i > $from && $ms[$j] < $ms[$i] + self::RISE_MS) {
                break;
            }
            $steepest = max($steepest, (1000 * ($smooth[$j] - $smooth[$i])) / ($ms[$j] - $ms[$i]));
        }

        return $steepest;
    }
}
