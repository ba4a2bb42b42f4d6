<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Middleware\TrustProxies;

/** Takes the word of the proxies that the installation's settings name, and of no other. */
final class TrustConfiguredProxies extends TrustProxies
{
    /** @return list<string>|string */
    protected function proxies(): array|string
    {
        $named = config('app.trusted_proxies');
        $named = is_string($named) ? trim($named) : '';

        return match ($named) {
            '' => [],
            '*' => '*',
            default => array_map(trim(...), explode(',', $named)),
        };
    }
}
