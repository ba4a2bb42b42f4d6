<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Email;
use App\Access\SignInTries;
use App\Models\User;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Who is signed in, and signing in and out. */
final class SignInController
{
    /** Kept on a device that has signed in to an account, so that others' tries at it do not make its owner wait. */
    private const KNOWN = 'rung_known';

    private const KNOWN_DAYS = 180;

    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        return new JsonResponse(['user' => $user instanceof User ? self::told($user) : null]);
    }

    public function store(Request $request): JsonResponse
    {
        $request->validate(
            ['email' => ['required', 'string', 'max:254', static fn(string $field, mixed $value, Closure $fail) => is_string($value) && Email::isSound($value) ? null : $fail('This is neither an e-mail address nor a sign-in name. Check it.')], 'password' => ['required', 'string', 'max:200']],
            ['email.required' => 'Your e-mail address or sign-in name is needed.', 'email.string' => 'This is neither an e-mail address nor a sign-in name. Check it.', 'email.max' => 'This is neither an e-mail address nor a sign-in name. Check it.', 'password.required' => 'Your password is needed.', 'password.*' => 'A password has 200 letters at most.'],
        );
        $password = $request->string('password')->toString();
        $email = Email::folded($request->string('email')->toString());
        $isKnown = $request->cookie(self::KNOWN) === $email;
        [$here, $place, $account] = ["sign-in:$email|{$request->ip()}", "sign-in-from:{$request->ip()}", ($isKnown ? 'sign-in-known:' : 'sign-in-of:') . $email];
        $wait = max(
            SignInTries::count($here, SignInTries::FREE),
            SignInTries::count($place, SignInTries::FREE_OF_A_PLACE),
            SignInTries::count($account, SignInTries::FREE_OF_AN_ACCOUNT),
        );
        if ($wait > 0) {
            throw new TooManyRequestsHttpException($wait, "Too many wrong tries. Wait $wait seconds, then sign in again.");
        }
        if (!$this->attempt(['email' => $email, 'password' => $password], $request->boolean('stay'))) {
            throw ValidationException::withMessages(['password' => 'E-mail address and password do not match. Check both.']);
        }
        SignInTries::clear($here, $place, $account);
        $request->session()->regenerate();

        return $this->show($request)->withCookie(cookie(self::KNOWN, $email, 60 * 24 * self::KNOWN_DAYS));
    }

    /**
     * An address that nobody has takes as long as one that somebody has: a password is checked either way.
     *
     * @param array{email: string, password: string} $credentials
     */
    private function attempt(array $credentials, bool $stay): bool
    {
        $provider = Auth::createUserProvider('users');
        $user = $provider?->retrieveByCredentials($credentials);
        if ($provider === null || $user === null) {
            Hash::check($credentials['password'], self::nobodysHash());

            return false;
        }
        if (!$provider->validateCredentials($user, $credentials)) {
            return false;
        }
        $provider->rehashPasswordIfRequired($user, $credentials);
        Auth::login($user, $stay);

        return true;
    }

    /** A hash that costs as much to check as those that are kept. */
    private static function nobodysHash(): string
    {
        $rounds = config('hashing.bcrypt.rounds');
        $hash = Cache::rememberForever('nobodys-hash:' . (is_int($rounds) ? $rounds : ''), static fn(): string => Hash::make(Str::random(40)));

        return is_string($hash) ? $hash : Hash::make('');
    }

    public function destroy(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(['user' => null]);
    }

    /** @return array<string, string> */
    private static function told(User $user): array
    {
        return [
            'id' => $user->id,
            'name' => $user->name,
            'role' => $user->role->value,
            'practice' => $user->practice->name,
            'timezone' => $user->practice->timezone,
        ];
    }
}
