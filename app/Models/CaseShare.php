<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Database\Factories\CaseShareFactory;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That somebody sees a case that is not their own.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $case_id
 * @property string $user_id
 * @property ShareKind $kind
 * @property string|null $reason
 * @property string $by
 * @property CarbonImmutable $at
 * @property string|null $until the last day; null where it stands until it is taken back
 * @property CarbonImmutable|null $ended_at
 * @property CarbonImmutable|null $owner_saw_at
 * @property CareCase $case
 * @property User $user
 * @property User $giver
 */
final class CaseShare extends Model
{
    /** @use HasFactory<CaseShareFactory> */
    use HasFactory;

    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<CareCase, $this> */
    public function case(): BelongsTo
    {
        return $this->belongsTo(CareCase::class, 'case_id');
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function giver(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => ShareKind::class,
            'at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'owner_saw_at' => 'immutable_datetime',
        ];
    }
}
