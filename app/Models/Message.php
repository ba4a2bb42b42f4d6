<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A message to an athlete, or what an athlete asked or reported.
 *
 * @property string $user_id
 * @property MessageKind $kind
 * @property string $words
 * @property CarbonImmutable $at
 * @property int|null $pain of a flare, 0–10
 * @property CarbonImmutable|null $seen_at when somebody dealt with what the athlete wrote
 * @property CarbonImmutable|null $sent_at
 * @property User $user
 */
final class Message extends CaseRecord
{
    protected $table = 'messages';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => MessageKind::class,
            'at' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
            'seen_at' => 'immutable_datetime',
        ];
    }
}
