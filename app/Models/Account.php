<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Email;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What somebody signs in with, in however many practices they work.
 *
 * @property string $id
 * @property string $email an address, or a name made for an athlete who has none
 * @property string $password
 * @property CarbonImmutable|null $password_changed_at
 * @property string|null $remember_token
 * @property string|null $second_factor the secret of the codes
 * @property CarbonImmutable|null $second_factor_since null until a first code was given
 * @property int|null $second_factor_step the newest step of time whose code was used
 * @property list<string> $recovery_codes hashes of those that are left
 */
final class Account extends Model
{
    use HasUuids;

    /** Named, so that no request has to work out a plural. */
    protected $table = 'accounts';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token', 'second_factor', 'recovery_codes'];

    /** @return HasMany<User, $this> */
    public function users(): HasMany
    {
        return $this->hasMany(User::class);
    }

    /** The account of an address, in whatever practice; null where nobody has one. */
    public static function findByEmail(string $email): ?self
    {
        return app(CurrentPractice::class)->across(
            static fn(): ?self => self::query()->where('email', Email::folded($email))->first(),
        );
    }

    /** Makes an account. It is nobody's until it is given to a person of a practice. */
    public static function open(string $email, string $password): self
    {
        return app(CurrentPractice::class)->across(
            static fn(): self => self::query()->create(['email' => Email::folded($email), 'password' => $password]),
        );
    }

    /** Whether nobody but one practice knows the account; only then may that practice let a new password be set by an invitation. */
    public function isOfOnePractice(): bool
    {
        return app(CurrentPractice::class)->across(fn(): bool => $this->users()->count() < 2);
    }

    public function hasSecondFactor(): bool
    {
        return $this->second_factor_since !== null;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'password_changed_at' => 'immutable_datetime',
            'second_factor' => 'encrypted',
            'second_factor_since' => 'immutable_datetime',
            'recovery_codes' => 'array',
        ];
    }
}
