<?php

declare(strict_types=1);

namespace App\Actions;

use App\Access\Secret;
use App\Models\Invitation;
use App\Models\User;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

/**
 * Somebody sets a password or PIN by an invitation. The invitation is used once, however many try at the same moment. Who
 * has an account already, in another practice, proves it by its password: no practice sets that of another's people.
 */
final class JoinByInvitation
{
    public function __construct(private readonly CurrentPractice $practice) {}

    /** @throws ValidationException where it is not open any more */
    public function find(string $token): Invitation
    {
        $invitation = $this->practice->across(
            static fn(): ?Invitation => Invitation::query()
                ->with(['user.account', 'user.practice'])
                ->where('token_hash', Invitation::hash($token))
                ->first(),
        );

        return $invitation !== null && $invitation->isOpen() ? $invitation : throw self::over();
    }

    /** @throws ValidationException */
    public function handle(string $token, string $secret): User
    {
        $invitation = $this->find($token);
        $isKnown = !$invitation->user->account->isOfOnePractice();
        /** @var User $user */
        $user = $this->practice->during(
            $invitation->practice_id,
            static fn() => DB::transaction(static function () use ($invitation, $secret, $isKnown): User {
                $locked = Invitation::query()->lockForUpdate()->find($invitation->id);
                if ($locked === null || !$locked->isOpen()) {
                    throw self::over();
                }
                $user = User::query()->findOrFail($locked->user_id);
                if (!$isKnown) {
                    self::setPassword($user, $secret);
                } elseif (!Hash::check($secret, $user->getAuthPassword())) {
                    throw ValidationException::withMessages([
                        'password' => 'You have a sign-in already: type its password, not a new one.',
                    ]);
                }
                $locked->forceFill(['used_at' => CarbonImmutable::now()->utc()])->save();

                return $user;
            }),
        );

        return $user;
    }

    private static function setPassword(User $user, string $secret): void
    {
        $fault = Secret::fault($secret, $user);
        if ($fault !== null) {
            throw ValidationException::withMessages(['password' => $fault]);
        }
        $user->account
            ->forceFill(['password' => $secret, 'password_changed_at' => CarbonImmutable::now()->utc()])
            ->save();
    }

    private static function over(): ValidationException
    {
        return ValidationException::withMessages([
            'token' => 'This invitation was used, withdrawn or has run out. Ask your practice for a new one.',
        ]);
    }
}
