<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Dose\Dose;
use Rung\Core\Number;

/**
 * What no dose that a person prescribes can be: beyond it, a figure was mistyped (docs/rules.md, "Prescribing"). Case files
 * are not held to it.
 */
final class DoseSense
{
    /** Kilograms, added weight. */
    public const MOST_KG = 500;

    /** Centimetres of a box or step. */
    public const MOST_HEIGHT_CM = 150;

    /** Seconds between sets. */
    public const MOST_REST_S = 1800;

    /** Seconds of timed work. */
    public const MOST_WORK_S = 7200;

    /** Degrees to which a joint can be stretched beyond straight. */
    public const LEAST_DEG = -60;

    /** Degrees to which a joint can be bent or raised. */
    public const MOST_DEG = 200;

    /** @return array<string, string> what is wrong, by the field of the dose */
    public static function faults(Dose $dose): array
    {
        $faults = [];
        foreach (
            [
                'load_kg' => [self::MOST_KG, 'kg'],
                'height_cm' => [self::MOST_HEIGHT_CM, 'cm'],
                'rest_s' => [self::MOST_REST_S, 's'],
                'work_s' => [self::MOST_WORK_S, 's'],
                'work_to_s' => [self::MOST_WORK_S, 's'],
            ]
            as $field => [$most, $unit]
        ) {
            if ($dose->$field !== null && Number::over($dose->$field, $most)) {
                $faults[$field] = "must be $most $unit at most; check the number";
            }
        }
        $range = $dose->range;
        foreach (
            $range === null ? [] : ['from_deg' => $range->from_deg, 'to_deg' => $range->to_deg]
            as $field => $degrees
        ) {
            if ($degrees < self::LEAST_DEG || $degrees > self::MOST_DEG) {
                $faults["range/$field"] =
                    'must be from ' . self::LEAST_DEG . ' to ' . self::MOST_DEG . '°; check the number';
            }
        }
        if ($range !== null && $faults === [] && !Number::over($range->to_deg, $range->from_deg)) {
            $faults['range/to_deg'] = "must be over the {$range->from_deg}° that it begins at";
        }

        return $faults;
    }
}
