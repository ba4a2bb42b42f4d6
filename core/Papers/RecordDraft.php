<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\MeasurePoint;
use Rung\Core\Words\MeasureWords;

/** Papers for the file: what was measured, and what was decided. */
final class RecordDraft
{
    /** @return list<Block> */
    public static function tests(PaperFacts $facts): array
    {
        $blocks = [
            Block::text('intro', null, [
                $facts->measures === [] ? 'Nothing has been measured yet.' : null,
                PaperWords::mornings($facts),
            ]),
        ];
        foreach ($facts->measures as $course) {
            $key = $course->measure->key;
            $blocks[] = Block::table(
                "measure_$key",
                $course->measure->title,
                ['Day', ...self::sides($course), 'Symmetry', 'Since the first'],
                array_map(
                    static fn(MeasurePoint $measurePoint): array => self::row($course, $measurePoint),
                    $course->points,
                ),
            );
            $blocks[] = Block::curve("curve_$key", null, MeasureCurve::fromCourse($course));
            $blocks[] = Block::text("words_$key", null, [
                MeasureWords::course($course),
                'Taken so: ' . lcfirst(MeasureWords::measure($course->measure)) . '.',
                $course->measure->instruction,
            ]);
        }

        return $blocks;
    }

    /** @return list<Block> */
    public static function decisions(PaperFacts $facts): array
    {
        return [
            Block::text('intro', null, [
                PaperWords::stage($facts),
                $facts->decisions === [] ? 'No decision has been made yet.' : null,
            ]),
            Block::table(
                'decisions',
                null,
                ['Day', 'What was decided', 'Why', 'By'],
                array_map(
                    static fn(array $decision): array => [
                        PaperWords::date($decision['on']),
                        $decision['words'],
                        $decision['reason'] ?? '',
                        $decision['by'],
                    ],
                    $facts->decisions,
                ),
            ),
        ];
    }

    /** @return list<string> */
    private static function sides(MeasureCourse $course): array
    {
        $unit = $course->measure->unit;

        return match (true) {
            !$course->measure->eachSide => ["Value, $unit"],
            $course->bothSides => ["Left, $unit", "Right, $unit"],
            default => ["Sore side, $unit", "Other side, $unit"],
        };
    }

    /** @return list<string> */
    private static function row(MeasureCourse $course, MeasurePoint $measurePoint): array
    {
        $figure = static fn(int|float|null $value, string $unit = ''): string => $value === null
            ? '–'
            : PaperWords::tenth($value) . $unit;

        return [
            PaperWords::date($measurePoint->taken->on),
            $figure($measurePoint->taken->affected),
            ...$course->measure->eachSide ? [$figure($measurePoint->taken->unaffected)] : [],
            $figure($measurePoint->symmetryPercent, ' %'),
            $measurePoint->change === null
                ? '–'
                : ($measurePoint->change > 0 ? '+' : '') . PaperWords::tenth($measurePoint->change),
        ];
    }
}
