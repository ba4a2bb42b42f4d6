<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Support\Str;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * A token with which another system reads what its owner may read. Its text is shown once and kept as a hash.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $tokenable_id the person in whose name it reads
 * @property string $name what it is for
 * @property string $token the hash of its text
 * @property list<string> $abilities
 * @property CarbonImmutable|null $last_used_at
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable $created_at
 */
final class ApiToken extends PersonalAccessToken
{
    use BelongsToPractice;
    use HasUuids;

    public const READ = 'read';

    private const LETTERS = 48;

    protected $table = 'personal_access_tokens';

    protected $guarded = [];

    protected $fillable = [];

    /** @return array{self, string} the token, and its text */
    public static function issue(User $owner, string $name, CarbonImmutable $expiresAt): array
    {
        $secret = Str::random(self::LETTERS);
        $token = self::query()->create([
            'practice_id' => $owner->practice_id,
            'tokenable_type' => $owner->getMorphClass(),
            'tokenable_id' => $owner->id,
            'name' => $name,
            'token' => hash('sha256', $secret),
            'abilities' => [self::READ],
            'expires_at' => $expiresAt,
        ]);

        return [$token, "$token->id|$secret"];
    }

    /** Where a token is found, the request goes on in its practice; before that no practice is known. */
    public static function findToken($token): ?self
    {
        [$id, $secret] = explode('|', is_string($token) ? $token : '', 2) + ['', ''];
        if (!Str::isUuid($id)) {
            return null;
        }
        $practice = app(CurrentPractice::class);
        $found = $practice->across(static fn(): ?self => self::query()->find($id));
        if ($found === null || !hash_equals($found->token, hash('sha256', $secret)) || $found->expires_at->isPast()) {
            return null;
        }
        $practice->enter($found->practice_id);

        return $found;
    }
}
