<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Permission;
use App\Mail\NewPassword;
use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Laravel\Sanctum\Contracts\HasAbilities;
use Laravel\Sanctum\HasApiTokens;

/**
 * Somebody in a practice. What they sign in with is their account, which may have a place in other practices too.
 *
 * @property string $id
 * @property string $practice_id
 * @property string|null $athlete_id
 * @property string $name
 * @property string $account_id
 * @property string $email that of the account
 * @property Role $role
 * @property CarbonImmutable|null $signed_in_at last
 * @property CarbonImmutable|null $suspended_at
 * @property CarbonImmutable|null $left_at
 * @property int $open_cases_count where it was counted
 * @property int $assigned_count cases that are open to them by assignment, where it was counted
 * @property bool $is_invited whether an invitation waits, where it was asked for
 * @property Practice $practice
 * @property Account $account
 */
final class User extends Authenticatable
{
    use BelongsToPractice;
    /** @use HasApiTokens<HasAbilities> */
    use HasApiTokens;
    use HasUuids;

    /** Named, so that no request has to work out a plural. */
    protected $table = 'users';

    protected $guarded = [];

    /** @return BelongsTo<Practice, $this> */
    public function practice(): BelongsTo
    {
        return $this->belongsTo(Practice::class);
    }

    /** @return BelongsTo<Account, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /** @return HasMany<CareCase, $this> */
    public function openCases(): HasMany
    {
        return $this->hasMany(CareCase::class, 'practitioner_id')->whereNull('closed_on');
    }

    /** @return HasMany<Invitation, $this> neither used nor withdrawn; they may have run out */
    public function openInvitations(): HasMany
    {
        return $this->hasMany(Invitation::class)->whereNull('used_at')->whereNull('withdrawn_at');
    }

    /** @return Attribute<string, never> */
    protected function email(): Attribute
    {
        return Attribute::get(fn(): string => $this->account->email);
    }

    public function isActive(): bool
    {
        return $this->suspended_at === null && $this->left_at === null;
    }

    public function may(Permission $permission): bool
    {
        return $this->isActive() && $this->role->may($permission);
    }

    public function getAuthPassword(): string
    {
        return $this->account->password;
    }

    public function getRememberToken(): ?string
    {
        return $this->account->remember_token;
    }

    /** @param string $value */
    public function setRememberToken($value): void
    {
        $this->account->remember_token = $value;
    }

    public function getEmailForPasswordReset(): string
    {
        return $this->email;
    }

    /** @param string $token */
    public function sendPasswordResetNotification($token): void
    {
        Mail::to($this->email)->send(new NewPassword($this->name, $this->email, $token));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'role' => Role::class,
            'signed_in_at' => 'immutable_datetime',
            'suspended_at' => 'immutable_datetime',
            'left_at' => 'immutable_datetime',
        ];
    }

    /** The address of a calendar to subscribe to; the older one stops working. */
    public function newCalendarAddress(): string
    {
        $token = Str::random(40);
        $this->forceFill(['calendar_hash' => Invitation::hash($token)])->save();

        return "/calendar/$token.ics";
    }
}
