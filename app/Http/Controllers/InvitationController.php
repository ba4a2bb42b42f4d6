<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CloseAccess;
use App\Actions\InviteAthlete;
use App\Models\CareCase;
use App\Models\Invitation;
use App\Models\User;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** How an athlete gets in: invited on paper, a password or PIN set on the phone, withdrawn again. */
final class InvitationController extends Controller
{
    private const TRIES_A_MINUTE = 10;

    /** A PIN is digits alone and may be shorter than a password. */
    private const PIN_DIGITS = 6;

    private const PASSWORD_LETTERS = 8;

    public function show(Request $request, CareCase $case): JsonResponse
    {
        Gate::authorize('decide', $case);
        AccessLog::read(self::person($request), $case, 'looked at how the athlete gets in');
        $user = User::query()->where('athlete_id', $case->athlete_id)->firstOrFail();
        $open = Invitation::query()->where('user_id', $user->id)->orderByDesc('created_at')->orderByDesc('id')->first();

        return new JsonResponse([
            'email' => $user->email,
            'open_until' => $open instanceof Invitation && $open->isOpen() ? $open->expires_at->toIso8601String() : null,
            'joined_at' => $open?->used_at?->toIso8601String(),
        ]);
    }

    public function store(Request $request, CareCase $case, InviteAthlete $invite): JsonResponse
    {
        Gate::authorize('decide', $case);
        $token = $invite->handle($case, self::person($request));

        // After the #, so that it is never sent to a server nor written into a log.
        return new JsonResponse(['link' => "/athlete/join#$token"], 201);
    }

    /** Withdraws the invitation and every sign-in of the athlete. */
    public function withdraw(Request $request, CareCase $case): JsonResponse
    {
        Gate::authorize('decide', $case);
        CloseAccess::of(User::query()->where('athlete_id', $case->athlete_id)->firstOrFail(), true);
        AccessLog::changed(self::person($request), $case, "withdrew the athlete's access");

        return new JsonResponse(['stored' => true]);
    }

    /** The athlete's phone: sets the password or PIN and stays signed in. */
    public function join(Request $request): JsonResponse
    {
        $place = 'join:' . $request->ip();
        if (RateLimiter::tooManyAttempts($place, self::TRIES_A_MINUTE)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($place), 'Too many tries. Wait a minute, then try again.');
        }
        RateLimiter::hit($place);
        $told = $request->validate(['token' => ['required', 'string', 'max:100'], 'password' => ['required', 'string', 'max:200']], [
            'password.required' => 'A password or PIN is needed.',
        ]);
        $password = $request->string('password')->toString();
        $needed = ctype_digit($password) ? self::PIN_DIGITS : self::PASSWORD_LETTERS;
        if (mb_strlen($password) < $needed) {
            throw ValidationException::withMessages(['password' => 'A PIN needs at least ' . self::PIN_DIGITS . ' digits, a password at least ' . self::PASSWORD_LETTERS . ' letters.']);
        }
        $invitation = Invitation::query()->withoutGlobalScopes()->where('token_hash', Invitation::hash($request->string('token')->toString()))->first();
        if (!$invitation instanceof Invitation || !$invitation->isOpen()) {
            throw ValidationException::withMessages(['token' => 'This invitation was used, withdrawn or has run out. Ask your practitioner for a new one.']);
        }
        $user = User::query()->withoutGlobalScopes()->findOrFail($invitation->user_id);
        $user->forceFill(['password' => $password])->save();
        $invitation->forceFill(['used_at' => CarbonImmutable::now()->utc()])->save();
        RateLimiter::clear($place);
        Auth::login($user, true);
        $request->session()->regenerate();

        return new JsonResponse(['email' => $user->email], 201);
    }

    /** Signs out on every phone: for one that was lost. */
    public function signOutEverywhere(Request $request): JsonResponse
    {
        CloseAccess::of(self::person($request), false);
        Auth::logout();
        $request->session()->invalidate();

        return new JsonResponse(['user' => null]);
    }
}
