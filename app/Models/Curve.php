<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Rung\Core\Strength\ForceCurve;

/**
 * The force of one try as a gauge sent it, with what the core read from it. Rows are never changed.
 *
 * @property string $measure
 * @property string $side affected, unaffected or both
 * @property string $on
 * @property string $samples as `packed` wrote them
 * @property array<string, int|float|null> $figures
 * @property string $user_id
 * @property CarbonImmutable $created_at
 */
final class Curve extends CaseRecord
{
    protected $table = 'curves';

    public static function packed(ForceCurve $curve): string
    {
        $newtons = array_map(static fn(int|float $value): float => round($value, 2), $curve->newtons);

        return base64_encode(
            (string) gzencode(json_encode(['ms' => $curve->ms, 'newtons' => $newtons], JSON_THROW_ON_ERROR), 6),
        );
    }

    /** @return array{ms: list<int|float>, newtons: list<int|float>} */
    public function unpacked(): array
    {
        /** @var array{ms: list<int|float>, newtons: list<int|float>} */
        return json_decode(
            (string) gzdecode((string) base64_decode($this->samples, true)),
            true,
            4,
            JSON_THROW_ON_ERROR,
        );
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['figures' => 'array', 'created_at' => 'immutable_datetime'];
    }
}
