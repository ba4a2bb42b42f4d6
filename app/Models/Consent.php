<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Database\Factories\ConsentFactory;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That an athlete agreed to a purpose, or took it back. The newest of a purpose holds; none is ever changed.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $athlete_id
 * @property ConsentPurpose $purpose
 * @property bool $given false where it was taken back
 * @property string $on the day
 * @property string $how
 * @property string $user_id who wrote it down
 * @property CarbonImmutable $at
 * @property User $user
 */
final class Consent extends Model
{
    /** @use HasFactory<ConsentFactory> */
    use HasFactory;

    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** Whether the athlete took it back, or does not agree, as it stands now. Where nobody asked, they did not. */
    public static function isRefused(string $athlete, ConsentPurpose $purpose): bool
    {
        $newest = self::query()
            ->where('athlete_id', $athlete)
            ->where('purpose', $purpose)
            ->orderByDesc('on')
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->first();

        return $newest !== null && !$newest->given;
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['purpose' => ConsentPurpose::class, 'at' => 'immutable_datetime'];
    }
}
