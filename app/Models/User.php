<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Str;
use Laravel\Sanctum\Contracts\HasAbilities;
use Laravel\Sanctum\HasApiTokens;

/**
 * Somebody who signs in.
 *
 * @property string $id
 * @property string $practice_id
 * @property string|null $athlete_id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property Role $role
 * @property Practice $practice
 */
final class User extends Authenticatable
{
    use BelongsToPractice;
    /** @use HasApiTokens<HasAbilities> */
    use HasApiTokens;
    use HasUuids;

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    /** @return BelongsTo<Practice, $this> */
    public function practice(): BelongsTo
    {
        return $this->belongsTo(Practice::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'role' => Role::class];
    }

    /** The address of a calendar to subscribe to; the older one stops working. */
    public function newCalendarAddress(): string
    {
        $token = Str::random(40);
        $this->forceFill(['calendar_hash' => Invitation::hash($token)])->save();

        return "/calendar/$token.ics";
    }
}
