<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Carbon\CarbonImmutable;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Keeps a session for those who have one or are signed in. A visitor without a cookie, or a program with a token, leaves
 * no row behind. Pages ask every few seconds: a session in which nothing changed is written once a minute, so that it is
 * still seen to be in use.
 */
final class StartSessionOfPeople extends StartSession
{
    private const WRITTEN_AT = 'written at';

    private const WRITTEN_EVERY_S = 60;

    /** @var array{string, array<array-key, mixed>}|null the session's id and what it held when the request came in */
    private ?array $before = null;

    protected function startSession(Request $request, $session): Session
    {
        $started = parent::startSession($request, $session);
        $this->before = [$started->getId(), $started->all()];

        return $started;
    }

    /** No page sends anybody back to where they were, so that is not kept. */
    protected function storeCurrentUrl(Request $request, $session): void {}

    protected function saveSession($request): void
    {
        if (!($request instanceof Request) || !self::isKept($request)) {
            return;
        }
        $session = $request->session();
        $now = CarbonImmutable::now()->getTimestamp();
        $writtenAt = $session->get(self::WRITTEN_AT);
        $isFresh = is_int($writtenAt) && $now - $writtenAt < self::WRITTEN_EVERY_S;
        if ($isFresh && $this->before === [$session->getId(), $session->all()]) {
            return;
        }
        $session->put(self::WRITTEN_AT, $now);
        parent::saveSession($request);
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
