<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Rung\Core\Number;

/** The tries of a measurement as they were entered, with the moment of force where the lever is known. */
final class MeasureDetails
{
    /**
     * @param array<string, mixed> $details as they were stored
     * @param float|null $newtons of the sore side
     *
     * @return array<string, mixed>
     */
    public static function present(array $details, ?float $newtons): array
    {
        $lever = $details['lever_m'] ?? null;

        return [
            'affected' => self::tries($details['affected'] ?? []),
            'unaffected' => self::tries($details['unaffected'] ?? []),
            'lever_m' => $lever,
            'joint_angle' => $details['joint_angle'] ?? null,
            'moment_nm' => $newtons === null || !is_numeric($lever) ? null : Number::tenth($newtons * (float) $lever),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function tries(mixed $tries): array
    {
        $details = [];
        foreach (is_array($tries) ? $tries : [] as $try) {
            if (is_array($try)) {
                $details[] = [
                    'value' => $try['value'] ?? null,
                    'struck' => ($try['struck'] ?? false) === true,
                    'curve' => $try['curve'] ?? null,
                    'load_kg' => $try['load_kg'] ?? null,
                    'reps' => $try['reps'] ?? null,
                    'rir' => $try['rir'] ?? null,
                ];
            }
        }

        return $details;
    }
}
