<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

/** Who is signed in, and signing in and out. */
final class SignInController
{
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
        if (!Auth::attempt($credentials)) {
            throw ValidationException::withMessages(['password' => 'E-mail address and password do not match. Check both.']);
        }
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
