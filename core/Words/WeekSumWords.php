<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Evaluation\WeekSum;
use Rung\Core\Number;

/** Says what a week amounts to (docs/rules.md, "A week's sums"). */
final class WeekSumWords
{
    /** Title and unit of each figure, and by how much it is divided for people. */
    private const FIGURES = [
        'isometric_s' => ['Held', 'min', 60],
        'moving_s' => ['Moved', 'min', 60],
        'volume_load_kg' => ['Lifted', 'kg', 1],
        'contacts' => ['Landings', '', 1],
        'sport_min' => ['Sport', 'min', 1],
        'sport_load' => ['Sport, minutes × effort', '', 1],
    ];

    /**
     * What there is of a week, in the units that people use; browsers draw these and compute nothing.
     *
     * @return list<array{key: string, title: string, unit: string, done: int|float, ahead: int|float, limit: int|float|null, over: string|null}>
     */
    public static function figures(WeekSum $sum): array
    {
        $figures = [];
        foreach (self::FIGURES as $key => [$title, $unit, $per]) {
            if ($sum->total($key) == 0) {
                continue;
            }
            $limit = $sum->limit($key);
            $figures[] = [
                'key' => $key,
                'title' => $title,
                'unit' => $unit,
                'done' => self::round($sum->done($key) / $per),
                'ahead' => self::round($sum->ahead($key) / $per),
                'limit' => $limit === null ? null : self::round($limit / $per),
                'over' => $sum->isOver($key) ? self::over($sum, $key) : null,
            ];
        }

        return $figures;
    }

    /** "Landings: 120, 33 % more than in the two weeks before; your school's limit is 10 %." */
    private static function over(WeekSum $sum, string $key): string
    {
        [$title, $unit, $per] = self::FIGURES[$key];
        $total = self::round($sum->total($key) / $per);
        $more = (int) round($sum->growthPercent($key) ?? 0);

        return "$title: " .
            number_format($total, is_int($total) ? 0 : 1, '.', ',') .
            ($unit === '' ? '' : " $unit") .
            ", $more % more than in the two weeks before; your school's limit is " .
            Number::clean($sum->growthMaxPercent) .
            ' %.';
    }

    /** Whole from 20 on, tenths under it. */
    private static function round(int|float $amount): int|float
    {
        return $amount >= 20 ? (int) round($amount) : Number::tenth($amount);
    }
}
