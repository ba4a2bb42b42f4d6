<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

use Rung\Core\Stage\OverTest;
use Rung\Core\Stage\Symmetry;
use Rung\Core\Stage\TestChange;
use Rung\Core\Stage\TestValue;
use Rung\Core\Time\Day;

/** What the gate of the present stage asks of a measure (docs/rules.md, "Measures over time"). */
final readonly class MeasureGate
{
    private function __construct(
        public OverTest $criterion,
        /** What the followed value has to reach by the values so far, in the unit; null where that is not known yet. */
        public int|float|null $toReach,
        /** Days since it was measured last; null where it never was. */
        public ?int $daysAgo,
        /** Whether the gate needs it again. */
        public bool $isDue,
    ) {}

    public static function judge(OverTest $criterion, MeasureCourse $course, Day $today): self
    {
        $latest = $course->latest();
        $days = $latest === null ? null : $today->daysSince($latest->taken->on);
        $first = $course->points[0] ?? null;

        return new self(
            $criterion,
            match (true) {
                $criterion instanceof TestValue => $criterion->min,
                $criterion instanceof Symmetry => $latest?->taken->unaffected === null
                    ? null
                    : ($criterion->min_percent * self::compared($latest, $course->bothSides)) / 100,
                $criterion instanceof TestChange => $first === null
                    ? null
                    : ($first->taken->followed($course->bothSides) * (100 + $criterion->min_percent)) / 100,
                default => null,
            },
            $days,
            $days === null || $days >= $criterion->countsForDays(),
        );
    }

    /** The side that the sore one is compared with; the larger where both are affected. */
    private static function compared(MeasurePoint $point, bool $bothSides): int|float
    {
        return $bothSides
            ? max($point->taken->affected, $point->taken->unaffected ?? 0)
            : $point->taken->unaffected ?? 0;
    }
}
