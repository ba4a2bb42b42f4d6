<?php

declare(strict_types=1);

namespace App\Actions;

use App\Access\Secret;
use App\Models\Invitation;
use App\Models\User;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** An athlete sets a password or PIN by an invitation. The invitation is used once, however many try at the same moment. */
final class JoinByInvitation
{
    public function __construct(private readonly CurrentPractice $practice) {}

    /** @throws ValidationException */
    public function handle(string $token, string $secret): User
    {
        $invitation = $this->practice->across(static fn(): ?Invitation => Invitation::query()->where('token_hash', Invitation::hash($token))->first());
        if ($invitation === null) {
            throw self::over();
        }

        /** @var User $user */
        $user = $this->practice->during($invitation->practice_id, static fn() => DB::transaction(static function () use ($invitation, $secret): User {
            $locked = Invitation::query()->lockForUpdate()->find($invitation->id);
            if ($locked === null || !$locked->isOpen()) {
                throw self::over();
            }
            $user = User::query()->findOrFail($locked->user_id);
            $fault = Secret::fault($secret, $user);
            if ($fault !== null) {
                throw ValidationException::withMessages(['password' => $fault]);
            }
            $user->forceFill(['password' => $secret])->save();
            $locked->forceFill(['used_at' => CarbonImmutable::now()->utc()])->save();

            return $user;
        }));

        return $user;
    }

    private static function over(): ValidationException
    {
        return ValidationException::withMessages(['token' => 'This invitation was used, withdrawn or has run out. Ask your practitioner for a new one.']);
    }
}
