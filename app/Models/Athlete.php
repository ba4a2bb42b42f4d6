<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $practice_id
 * @property string $name
 * @property string|null $act what the athlete does
 * @property float|null $body_mass_kg
 * @property string|null $born_on
 * @property CarbonImmutable|null $restricted_at since when the record is set aside at the athlete's wish
 * @property string|null $restricted_why
 * @property CarbonImmutable|null $unnamed_at since when the record is kept without the name
 * @property string|null $cases_max_closed_on when the last case was closed, where it was asked for
 * @property \Illuminate\Database\Eloquent\Collection<int, CareCase> $cases
 */
final class Athlete extends Model
{
    use BelongsToPractice;
    use HasUuids;

    protected $guarded = [];

    /** @return HasMany<CareCase, $this> */
    public function cases(): HasMany
    {
        return $this->hasMany(CareCase::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'body_mass_kg' => 'float',
            'restricted_at' => 'immutable_datetime',
            'unnamed_at' => 'immutable_datetime',
        ];
    }
}
