<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Contract\Bounds;
use App\Http\Requests\CoreFaults;
use Closure;
use Illuminate\Http\Request;
use Rung\Core\Input\InvalidInput;
use Symfony\Component\HttpFoundation\Response;

/** Refuses what is longer, larger or more than the contract states for the route, at its field. */
final class KeepBounds
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $all = config('contract.bounds');
        $bounds = is_array($all) ? $all["{$request->method()} /{$request->route()?->uri()}"] ?? null : null;
        $body = $request->attributes->get(GuardInput::BODY);
        $faults = is_array($bounds)
            ? [
                ...Bounds::faults($bounds['body'] ?? null, $body),
                ...Bounds::faults(['properties' => $bounds['query'] ?? []], (object) $request->query->all()),
            ]
            : [];
        if ($faults !== []) {
            throw CoreFaults::asValidation(new InvalidInput($faults));
        }

        return $next($request);
    }
}
