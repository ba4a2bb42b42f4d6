<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Account;
use App\Models\User;
use App\Support\CurrentPractice;
use Illuminate\Auth\EloquentUserProvider;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Contracts\Hashing\Hasher;
use SensitiveParameter;

/**
 * Finds who signs in or is signed in. Until a person is known no practice is, so this one look-up goes across practices;
 * addresses are compared without capitals.
 */
final class People extends EloquentUserProvider
{
    private const PRACTICE = 'practice';

    /** @param class-string<\Illuminate\Database\Eloquent\Model> $model */
    public function __construct(Hasher $hasher, string $model, private readonly CurrentPractice $practice)
    {
        parent::__construct($hasher, $model);
    }

    /** The sign-in remembers the practice, so that only its first request has to look across. Who was suspended or has left is nobody. */
    public function retrieveById($identifier)
    {
        $session = request()->hasSession() ? request()->session() : null;
        $known = $session?->get(self::PRACTICE);
        $found = is_string($known) ? $this->practice->during($known, fn() => parent::retrieveById($identifier)) : null;
        if ($found === null) {
            $found = $this->practice->across(fn() => parent::retrieveById($identifier));
            $session?->put(self::PRACTICE, $found instanceof User ? $found->practice_id : null);
        }

        return $found instanceof User && $found->isActive() ? $found : null;
    }

    public function retrieveByToken($identifier, #[SensitiveParameter] $token)
    {
        $found = $this->practice->across(
            static fn(): ?User => User::query()->with('account')->whereKey($identifier)->first(),
        );
        $kept = $found?->getRememberToken();

        return $found !== null && $found->isActive() && is_string($kept) && $kept !== '' && hash_equals($kept, $token)
            ? $found
            : null;
    }

    public function updateRememberToken(Authenticatable $user, #[SensitiveParameter] $token): void
    {
        if ($user instanceof User) {
            $this->practice->across(
                static fn(): bool => $user->account->forceFill(['remember_token' => $token])->save(),
            );
        }
    }

    /**
     * By an address, in the practice in which they were last; a practice that suspended them or that they left is none.
     *
     * @param array<string, mixed> $credentials
     */
    public function retrieveByCredentials(#[SensitiveParameter] array $credentials)
    {
        $email = $credentials['email'] ?? null;
        $account = is_string($email) ? Account::findByEmail($email) : null;

        return $account === null ? null : self::places($account)[0] ?? null;
    }

    /**
     * The practices in which somebody works or trains, the latest first.
     *
     * @return list<User>
     */
    public static function places(Account $account): array
    {
        return app(CurrentPractice::class)->across(
            static fn(): array => array_values(
                User::query()
                    ->with(['account', 'practice'])
                    ->where('account_id', $account->id)
                    ->whereNull('suspended_at')
                    ->whereNull('left_at')
                    ->orderByRaw('signed_in_at desc nulls last')
                    ->orderBy('created_at')
                    ->get()
                    ->all(),
            ),
        );
    }

    /** @param array<string, mixed> $credentials */
    public function rehashPasswordIfRequired(
        Authenticatable $user,
        #[SensitiveParameter] array $credentials,
        bool $force = false,
    ): void {
        $password = $credentials['password'] ?? null;
        if (
            $user instanceof User &&
            is_string($password) &&
            ($force || $this->hasher->needsRehash($user->getAuthPassword()))
        ) {
            $this->practice->across(static fn(): bool => $user->account->forceFill(['password' => $password])->save());
        }
    }
}
