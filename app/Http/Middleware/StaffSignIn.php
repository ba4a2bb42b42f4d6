<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\SignIns;
use App\Http\Controllers\SignInController;
use App\Models\ApiToken;
use App\Models\User;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Staff sign in again after some hours, however much they do, and with a second factor where the practice asks for one. */
final class StaffSignIn
{
    /** When it was seen last that no second factor is missing. */
    private const LOOKED_AT = 'second factor looked at: ';

    private const LOOKED_FOR_S = 60;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if (!($user instanceof User) || !$user->role->isStaff() || $user->currentAccessToken() instanceof ApiToken) {
            return $next($request);
        }
        $session = $request->session();
        $now = CarbonImmutable::now()->getTimestamp();
        $since = $session->get(SignIns::SINCE);
        if (!is_int($since)) {
            $session->put(SignIns::SINCE, $since = $now);
        }
        if ($now - $since >= 3600 * SignIns::STAFF_HOURS) {
            Auth::guard('web')->logoutCurrentDevice();
            $session->invalidate();
            throw new AuthenticationException();
        }
        // Where it is set up it is not asked for yet.
        if (!$request->is('api/account', 'api/account/*') && self::needsSecondFactor($user, $session, $now)) {
            return new JsonResponse(
                [
                    'message' =>
                        'Your practice asks for a second factor. Set it up on the page “Your account”, then go on.',
                ],
                403,
            );
        }

        return $next($request);
    }

    /** A page asks every few seconds; what was found is taken for some of them. */
    private static function needsSecondFactor(User $user, Session $session, int $now): bool
    {
        $key = self::LOOKED_AT . $user->id;
        $looked = $session->get($key);
        if (is_int($looked) && $now - $looked < self::LOOKED_FOR_S) {
            return false;
        }
        $needs = SignInController::needsSecondFactor($user);
        if (!$needs) {
            $session->put($key, $now);
        }

        return $needs;
    }
}
