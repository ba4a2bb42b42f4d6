<?php

declare(strict_types=1);

namespace App\Access;

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

    /** The sign-in remembers the practice, so that only its first request has to look across. */
    public function retrieveById($identifier)
    {
        $session = request()->hasSession() ? request()->session() : null;
        $known = $session?->get(self::PRACTICE);
        $found = is_string($known) ? $this->practice->during($known, fn() => parent::retrieveById($identifier)) : null;
        if ($found === null) {
            $found = $this->practice->across(fn() => parent::retrieveById($identifier));
            $session?->put(self::PRACTICE, $found instanceof User ? $found->practice_id : null);
        }

        return $found;
    }

    public function retrieveByToken($identifier, #[SensitiveParameter] $token)
    {
        return $this->practice->across(fn() => parent::retrieveByToken($identifier, $token));
    }

    public function updateRememberToken(Authenticatable $user, #[SensitiveParameter] $token): void
    {
        $this->practice->across(fn() => parent::updateRememberToken($user, $token));
    }

    /** @param array<string, mixed> $credentials */
    public function retrieveByCredentials(#[SensitiveParameter] array $credentials)
    {
        if (is_string($credentials['email'] ?? null)) {
            $credentials['email'] = Email::folded($credentials['email']);
        }

        return $this->practice->across(fn() => parent::retrieveByCredentials($credentials));
    }

    /** @param array<string, mixed> $credentials */
    public function rehashPasswordIfRequired(Authenticatable $user, #[SensitiveParameter] array $credentials, bool $force = false): void
    {
        $this->practice->across(fn() => parent::rehashPasswordIfRequired($user, $credentials, $force));
    }
}
