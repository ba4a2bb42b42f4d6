<?php

declare(strict_types=1);

namespace App\Papers;

use Rung\Core\Papers\MeasureCurve;

/** The space that a measure over time is drawn in: from 0, with room above. */
final class CurveAxis
{
    public static function forCurve(MeasureCurve $curve): Axis
    {
        $values = [];
        foreach ($curve->points as $point) {
            $values[] = $point['affected'];
            $values[] = $point['unaffected'] ?? $point['affected'];
        }
        $high = max([1, ...$values]);

        return new Axis(
            $curve->points[0]['on'],
            $curve->points[count($curve->points) - 1]['on'],
            min([0, ...$values]),
            $high * 1.1,
            44,
            630,
            8,
            108,
        );
    }
}
