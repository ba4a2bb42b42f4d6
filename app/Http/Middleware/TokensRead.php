<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\ApiToken;
use App\Models\User;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpFoundation\Response;

/** Whoever comes with a token reads, so often a minute; people who are signed in pass. */
final class TokensRead
{
    public const A_MINUTE = 60;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $token = $user instanceof User ? $user->currentAccessToken() : null;
        if (!($token instanceof ApiToken)) {
            return $next($request);
        }
        if (!$request->isMethod('GET') || !$token->can(ApiToken::READ)) {
            return new JsonResponse(
                ['message' => 'This token reads and changes nothing. Sign in at the desk to change something.'],
                403,
            );
        }
        $key = "token $token->id";
        if (RateLimiter::tooManyAttempts($key, self::A_MINUTE)) {
            $wait = RateLimiter::availableIn($key);

            return new JsonResponse(
                [
                    'message' =>
                        'This token has asked more than ' .
                        self::A_MINUTE .
                        " times in a minute. Ask again in $wait s.",
                ],
                429,
                ['Retry-After' => (string) $wait],
            );
        }
        RateLimiter::hit($key);

        return $next($request);
    }
}
