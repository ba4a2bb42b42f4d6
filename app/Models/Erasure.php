<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;

/**
 * That an athlete was erased, or that the record is kept without the name.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $athlete_id
 * @property string|null $pseudonym null where nothing was kept
 * @property string $why
 * @property string $user_id
 * @property CarbonImmutable $at
 */
final class Erasure extends Model
{
    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
