<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link, handed over on paper, by which an athlete sets a password or PIN on a phone.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $user_id the athlete's sign-in
 * @property string $token_hash
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable|null $used_at
 * @property CarbonImmutable|null $withdrawn_at
 * @property User $user
 */
final class Invitation extends Model
{
    use BelongsToPractice;
    use HasUuids;

    private const LETTERS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';

    private const LENGTH = 12;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function isOpen(): bool
    {
        return $this->used_at === null && $this->withdrawn_at === null && $this->expires_at->isFuture();
    }

    /** A code of 60 bits that can be typed by hand: three groups of four, without letters and digits that look alike. */
    public static function code(): string
    {
        $letters = array_map(
            static fn(): string => self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)],
            range(1, self::LENGTH),
        );

        return implode('-', str_split(implode('', $letters), 4));
    }

    /** Of a code, however it was typed; anything else stands as it is. */
    public static function hash(string $token): string
    {
        $typed = strtoupper((string) preg_replace('/[\s-]+/', '', $token));
        $isCode = strlen($typed) === self::LENGTH && strspn($typed, self::LETTERS) === self::LENGTH;

        return hash('sha256', $isCode ? $typed : $token);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'created_at' => 'immutable_datetime',
            'expires_at' => 'immutable_datetime',
            'used_at' => 'immutable_datetime',
            'withdrawn_at' => 'immutable_datetime',
        ];
    }
}
