<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

/** A value of a measure beside what came before it; unrounded. */
final readonly class MeasurePoint
{
    public function __construct(
        public Taken $taken,
        /** Percent; null where there is one value alone, or nothing to divide by. */
        public int|float|null $symmetryPercent,
        /** Of the followed value since the first, in the unit; null of the first. */
        public int|float|null $change,
        /** The same in percent; null of the first, or where the first is 0. */
        public int|float|null $changePercent,
        public ?Meaning $meaning,
        /** The followed value for each kilogram of the body: newtons or kilograms; null where the mass is not known or says nothing. */
        public int|float|null $perKg,
    ) {}
}
