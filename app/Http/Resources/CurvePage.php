<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Curve;

/** A force curve to be drawn, with the figures that the core read from it. */
final class CurvePage
{
    /** Points that are drawn: more than a wide screen has across. */
    private const MOST_POINTS = 2400;

    /** @return array<string, mixed> */
    public static function present(Curve $curve): array
    {
        ['ms' => $ms, 'newtons' => $newtons] = $curve->unpacked();
        $step = (int) ceil(count($ms) / self::MOST_POINTS);
        $drawn = static fn(array $all): array => array_values(
            array_filter($all, static fn(int $i): bool => $i % $step === 0, ARRAY_FILTER_USE_KEY),
        );

        return self::figures($curve) + ['on' => $curve->on, 'ms' => $drawn($ms), 'newtons' => $drawn($newtons)];
    }

    /** @return array<string, mixed> */
    public static function figures(Curve $curve): array
    {
        return [
            'id' => $curve->id,
            'measure' => $curve->measure,
            'side' => $curve->side,
            'figures' => (object) $curve->figures,
        ];
    }
}
