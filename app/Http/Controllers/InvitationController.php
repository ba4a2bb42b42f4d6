<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\SignIns;
use App\Access\SignInTries;
use App\Actions\CloseAccess;
use App\Actions\InviteAthlete;
use App\Actions\JoinByInvitation;
use App\Http\Requests\Access\InvitationRequest;
use App\Http\Requests\Access\JoinRequest;
use App\Models\AccessKind;
use App\Models\CareCase;
use App\Models\Invitation;
use App\Models\User;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** How an athlete gets in: invited on paper, a password or PIN set on the phone, withdrawn again. */
final class InvitationController extends Controller
{
    private const FREE_TRIES = 10;

    public function show(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at how the athlete gets in');
        $user = User::query()->where('athlete_id', $case->athlete_id)->firstOrFail();
        $open = Invitation::query()->where('user_id', $user->id)->orderByDesc('created_at')->orderByDesc('id')->first();

        return new JsonResponse([
            'email' => $user->email,
            'open_until' =>
                $open instanceof Invitation && $open->isOpen() ? $open->expires_at->toIso8601String() : null,
            'joined_at' => $open?->used_at?->toIso8601String(),
        ]);
    }

    public function store(Request $request, CareCase $case, InviteAthlete $invite): JsonResponse
    {
        $token = $invite->handle($case, self::person($request));

        // After the #, so that it is never sent to a server nor written into a log.
        return new JsonResponse(['link' => "/athlete/join#$token"], 201);
    }

    /** Withdraws the invitation and every sign-in of the athlete. */
    public function withdraw(Request $request, CareCase $case): JsonResponse
    {
        CloseAccess::close(User::query()->where('athlete_id', $case->athlete_id)->firstOrFail(), true);
        AccessLog::changed(self::person($request), $case, "withdrew the athlete's access");

        return new JsonResponse(['stored' => true]);
    }

    /** Who is invited, where to, and whether they have a sign-in already. */
    public function who(InvitationRequest $request, JoinByInvitation $join): JsonResponse
    {
        $this->wait($request);
        $user = $join->find($request->token())->user;

        return new JsonResponse([
            'name' => $user->name,
            'email' => $user->email,
            'practice' => $user->practice->name,
            'role' => $user->role->value,
            'has_sign_in' => !$user->account->isOfOnePractice(),
        ]);
    }

    /** Sets the password or PIN. An athlete's phone stays signed in; staff with a second factor sign in with it. */
    public function join(JoinRequest $request, JoinByInvitation $join): JsonResponse
    {
        $place = $this->wait($request);
        $user = $join->handle($request->token(), $request->password());
        SignInTries::clear($place);
        if (!$user->account->hasSecondFactor()) {
            Auth::login($user, !$user->role->isStaff());
            $request->session()->regenerate();
            $now = CarbonImmutable::now();
            $request
                ->session()
                ->put([SignIns::SINCE => $now->getTimestamp(), 'auth.password_confirmed_at' => $now->getTimestamp()]);
            $user->forceFill(['signed_in_at' => $now->utc()])->save();
            AccessLog::note($user, AccessKind::SignIn, 'came in by an invitation');
        }

        return new JsonResponse(['email' => $user->email], 201);
    }

    private function wait(Request $request): string
    {
        $place = 'join:' . $request->ip();
        $wait = SignInTries::count($place, self::FREE_TRIES);
        if ($wait > 0) {
            throw new TooManyRequestsHttpException($wait, "Too many tries. Wait $wait seconds, then try again.");
        }

        return $place;
    }

    /** Signs out on every phone: for one that was lost. */
    public function signOutEverywhere(Request $request): JsonResponse
    {
        CloseAccess::close(self::person($request), false);
        Auth::logout();
        $request->session()->invalidate();

        return new JsonResponse(['user' => null]);
    }
}
