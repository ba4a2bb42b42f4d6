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
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Staff sign in anew after some hours, however much they do, and with a second factor where the practice asks for one. */
final class StaffSignIn
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if (!$user instanceof User || !$user->role->isStaff() || $user->currentAccessToken() instanceof ApiToken) {
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
        if (!$request->is('api/account', 'api/account/*') && SignInController::needsSecondFactor($user)) {
            return new JsonResponse(['message' => 'Your practice asks for a second factor. Set it up on the page “Your account”, then go on.'], 403);
        }

        return $next($request);
    }
}
