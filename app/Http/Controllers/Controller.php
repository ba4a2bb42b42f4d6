<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

abstract class Controller
{
    /**
     * The answer, or 304 where whoever asks has this version of it already; then it is not made at all.
     *
     * @param Closure(): array<string, mixed> $answer
     */
    protected static function unlessKnown(Request $request, string $version, Closure $answer): JsonResponse
    {
        $response = (new JsonResponse())->setEtag($version);

        return $response->isNotModified($request) ? $response : $response->setData($answer());
    }

    /** @throws AuthenticationException */
    protected static function person(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : throw new AuthenticationException();
    }
}
