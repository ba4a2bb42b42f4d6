<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file that is made in the background for whoever asked for it, and kept for a day.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $user_id
 * @property string|null $case_id
 * @property FileKind $kind
 * @property array<string, mixed> $options
 * @property FileState $state
 * @property int $done steps
 * @property int $steps in all
 * @property string $name
 * @property int|null $bytes
 * @property string|null $problem in words for whoever asked
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $finished_at
 * @property User $user
 * @property CareCase|null $case
 */
final class MadeFile extends Model
{
    use BelongsToPractice;
    use HasUuids;

    /** Hours for which it can be fetched. */
    public const KEPT_HOURS = 24;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<CareCase, $this> */
    public function case(): BelongsTo
    {
        return $this->belongsTo(CareCase::class, 'case_id');
    }

    /** Where its bytes are kept. */
    public function path(): string
    {
        return "made/$this->id";
    }

    /**
     * One step is done. False where it was cancelled meanwhile.
     *
     * @phpstan-impure
     */
    public function step(): bool
    {
        return self::query()->whereKey($this->id)->where('state', FileState::Making)->increment('done') === 1;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => FileKind::class,
            'state' => FileState::class,
            'options' => 'array',
            'created_at' => 'immutable_datetime',
            'finished_at' => 'immutable_datetime',
        ];
    }
}
