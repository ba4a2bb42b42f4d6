<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Keeps a session for those who have one or are signed in. A visitor without a cookie, or a program with a token, leaves no row behind. */
final class StartSessionOfPeople extends StartSession
{
    protected function saveSession($request): void
    {
        if ($request instanceof Request && self::isKept($request)) {
            parent::saveSession($request);
        }
    }

    protected function addCookieToResponse(Response $response, Session $session): void
    {
        if (self::isKept(request())) {
            parent::addCookieToResponse($response, $session);
        }
    }

    private static function isKept(Request $request): bool
    {
        $name = config('session.cookie');

        return (is_string($name) && $request->cookies->has($name)) || Auth::guard('web')->hasUser();
    }
}
