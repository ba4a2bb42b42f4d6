<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What an athlete put right in an entry of their own, or a practitioner in one of a case, with what it said before. Rows are
 * never changed.
 *
 * @property string $user_id
 * @property string $what session, morning, test, score or note
 * @property string $entry the id of what was put right
 * @property CarbonImmutable $at
 * @property array<string, mixed> $before
 * @property bool $withdrawn taken back, or struck out
 * @property string|null $why as a practitioner said
 * @property User $user
 */
final class Correction extends CaseRecord
{
    protected $table = 'corrections';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'before' => 'array', 'withdrawn' => 'boolean'];
    }
}
