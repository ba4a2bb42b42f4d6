<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Who is signed in, and signing in and out. Wrong tries are counted, right ones are not. */
final class SignInController
{
    /** Wrong tries a minute for one address from one place. */
    private const TRIES = 5;

    /** Wrong tries a day for one address from anywhere: a PIN is short. */
    private const TRIES_A_DAY = 40;

    /** Wrong tries a minute from one place, whatever the address. */
    private const TRIES_FROM_ONE_PLACE = 30;

    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        return new JsonResponse(['user' => $user instanceof User ? self::told($user) : null]);
    }

    public function store(Request $request): JsonResponse
    {
        $credentials = $request->validate(
            ['email' => ['required', 'email'], 'password' => ['required', 'string']],
            ['email.required' => 'Your e-mail address is needed.', 'email.email' => 'This is no e-mail address.', 'password.required' => 'Your password is needed.'],
        );
        $place = 'sign-in:' . $request->ip();
        $person = 'sign-in-of:' . mb_strtolower($request->string('email')->toString());
        $address = "$place|$person";
        if (RateLimiter::tooManyAttempts($person, self::TRIES_A_DAY)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($person), 'Too many wrong tries today. Ask your practitioner for a new invitation, or try again tomorrow.');
        }
        if (RateLimiter::tooManyAttempts($address, self::TRIES) || RateLimiter::tooManyAttempts($place, self::TRIES_FROM_ONE_PLACE)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($address), 'Too many wrong tries. Wait a minute, then sign in again.');
        }
        if (!Auth::attempt($credentials, $request->boolean('stay'))) {
            RateLimiter::hit($address);
            RateLimiter::hit($place);
            RateLimiter::hit($person, 86_400);

            throw ValidationException::withMessages(['password' => 'E-mail address and password do not match. Check both.']);
        }
        RateLimiter::clear($address);
        RateLimiter::clear($person);
        $request->session()->regenerate();

        return $this->show($request);
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
            'name' => $user->name,
            'role' => $user->role->value,
            'practice' => $user->practice->name,
            'timezone' => $user->practice->timezone,
        ];
    }
}
