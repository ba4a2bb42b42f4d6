<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Database\Factories\CoverFactory;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That somebody looks after the cases of a colleague for some days.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $of whose cases
 * @property string $user_id who looks after them
 * @property string $from
 * @property string $until the last day
 * @property string $by
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $ended_at
 * @property User $away
 * @property User $user
 */
final class Cover extends Model
{
    /** @use HasFactory<CoverFactory> */
    use HasFactory;

    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function away(): BelongsTo
    {
        return $this->belongsTo(User::class, 'of');
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
