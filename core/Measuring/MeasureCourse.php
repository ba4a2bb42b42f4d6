<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\MeasureKind;
use Rung\Core\Number;
use Rung\Core\Strength\Strength;

/** A measure over the time of a case (docs/rules.md, "Measures over time"). */
final readonly class MeasureCourse
{
    /** @param list<MeasurePoint> $points oldest first */
    private function __construct(public Measure $measure, public array $points, public bool $bothSides) {}

    /**
     * @param list<Taken> $taken in any order; of one day the later in the list is the later
     * @param int|float|null $bodyMassKg
     */
    public static function build(Measure $measure, array $taken, bool $bothSides, int|float|null $bodyMassKg): self
    {
        usort($taken, static fn(Taken $a, Taken $b): int => $a->on->number <=> $b->on->number);
        $first = $taken[0] ?? null;
        $points = [];
        foreach ($taken as $i => $measured) {
            $value = $measured->followed($bothSides);
            $from = $first?->followed($bothSides);
            $change = $i === 0 || $from === null ? null : $value - $from;
            $points[] = new MeasurePoint(
                $measured,
                self::symmetry($measured, $bothSides),
                $change,
                $change === null || $from == 0 ? null : Strength::ratio($value, $from),
                $change === null || $from === null ? null : self::meaning($measure, $from, $change),
                $bodyMassKg === null ||
                !in_array($measure->kind, [MeasureKind::Force, MeasureKind::RepetitionMaximum], true)
                    ? null
                    : $value / $bodyMassKg,
            );
        }

        return new self($measure, $points, $bothSides);
    }

    public function latest(): ?MeasurePoint
    {
        return $this->points[count($this->points) - 1] ?? null;
    }

    /**
     * The band around the first value within which a change is the noise of the measure, in the unit.
     *
     * @return array{low: int|float, high: int|float}|null null where nothing was taken
     */
    public function noise(): ?array
    {
        $first = ($this->points[0] ?? null)?->taken->followed($this->bothSides);
        $least = $first === null ? null : $this->measure->changeThatMatters($first);

        return $first === null
            ? null
            : ['low' => Number::clean($first - $least), 'high' => Number::clean($first + $least)];
    }

    /** How much more this measure gave than another one, in percent, by their latest values; null where one is missing. */
    public function percentOver(self $other): int|float|null
    {
        [$own, $its] = [
            $this->latest()?->taken->followed($this->bothSides),
            $other->latest()?->taken->followed($other->bothSides),
        ];

        return $own === null || $its === null || $its == 0 ? null : Strength::ratio($own, $its);
    }

    private static function symmetry(Taken $taken, bool $bothSides): int|float|null
    {
        $divisor =
            $bothSides && $taken->unaffected !== null ? max($taken->affected, $taken->unaffected) : $taken->unaffected;

        return $taken->unaffected === null || $divisor == 0
            ? null
            : Strength::symmetry($taken->affected, $taken->unaffected, $bothSides);
    }

    private static function meaning(Measure $measure, int|float $from, int|float $change): Meaning
    {
        return match (true) {
            Number::under(abs($change), $measure->changeThatMatters($from)) || $change == 0 => Meaning::Noise,
            $change > 0 === $measure->higherIsBetter => Meaning::Better,
            default => Meaning::Worse,
        };
    }
}
