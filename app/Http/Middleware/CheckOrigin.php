<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Auth\SessionGuard;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/**
 * Refuses what another site sends in somebody's name. Whoever has a session sends its token with each change. Signing in
 * and joining come from visitors who have none yet: those requests must name this site as their origin.
 */
class CheckOrigin extends ValidateCsrfToken
{
    private const BEFORE_A_SESSION = ['api/session', 'api/join'];

    protected function tokensMatch($request): bool
    {
        if ($request->isMethod('POST') && $request->is(...self::BEFORE_A_SESSION)) {
            return self::isOwn($request);
        }
        // Nobody: there is no name to send anything in, and the answer is that they are signed out.
        if (!self::bringsSignIn($request)) {
            return true;
        }

        return parent::tokensMatch($request);
    }

    /** A program with a token has no form to send, and keeps no cookies. */
    public function shouldAddXsrfTokenCookie(): bool
    {
        return parent::shouldAddXsrfTokenCookie() && request()->bearerToken() === null;
    }

    private static function bringsSignIn(Request $request): bool
    {
        $guard = Auth::guard('web');
        $session = config('session.cookie');

        return (is_string($session) && $request->cookies->has($session)) ||
            ($guard instanceof SessionGuard && $request->cookies->has($guard->getRecallerName()));
    }

    private static function isOwn(Request $request): bool
    {
        $site = $request->headers->get('Sec-Fetch-Site');
        if ($site !== null) {
            return $site === 'same-origin';
        }
        $origin = $request->headers->get('Origin');

        // A program that is no browser sends neither, and carries nobody's cookies.
        return $origin === null || $origin === $request->getSchemeAndHttpHost();
    }
}
