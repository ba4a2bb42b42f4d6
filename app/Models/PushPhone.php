<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Rung\Core\Attention\Reminders;

/**
 * A phone whose owner wants reminders, and which ones. Its id is made on the phone.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $user_id
 * @property int|null $morning_at minutes after midnight
 * @property int|null $session_at minutes after midnight
 * @property bool $messages
 * @property CarbonImmutable $since
 * @property User $user
 */
final class PushPhone extends Model
{
    use BelongsToPractice;

    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<Push, $this> */
    public function pushes(): HasMany
    {
        return $this->hasMany(Push::class, 'phone_id');
    }

    public function reminders(): Reminders
    {
        return new Reminders($this->morning_at, $this->session_at);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'morning_at' => 'integer',
            'session_at' => 'integer',
            'messages' => 'boolean',
            'since' => 'immutable_datetime',
        ];
    }
}
