<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\MeasurePoint;
use Rung\Core\Time\Day;

/** A measure over time, of each side where both were measured. */
final readonly class MeasureCurve
{
    /** @param list<array{on: Day, affected: int|float, unaffected: int|float|null}> $points oldest first, in the unit */
    private function __construct(public string $title, public string $unit, public array $points) {}

    public static function fromCourse(MeasureCourse $course): self
    {
        return new self(
            $course->measure->title,
            $course->measure->unit,
            array_map(
                static fn(MeasurePoint $measurePoint): array => [
                    'on' => $measurePoint->taken->on,
                    'affected' => $measurePoint->taken->affected,
                    'unaffected' => $measurePoint->taken->unaffected,
                ],
                $course->points,
            ),
        );
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('title'),
            $node->text('unit'),
            $node->each(
                'points',
                static fn(ObjectNode $point): array => [
                    'on' => $point->day('on'),
                    'affected' => $point->number('affected', -ObjectNode::LARGEST),
                    'unaffected' => $point->numberOrNull('unaffected', -ObjectNode::LARGEST),
                ],
            ),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'title' => $this->title,
            'unit' => $this->unit,
            'points' => array_map(
                static fn(array $point): array => [
                    'on' => $point['on']->toIso(),
                    'affected' => $point['affected'],
                    'unaffected' => $point['unaffected'],
                ],
                $this->points,
            ),
        ];
    }
}
