<?php

return [
    'name' => 'Rung',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8080'),
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'maintenance' => ['driver' => 'file'],
    // Addresses of the proxies whose word on https and on the caller's address is taken, with commas between; * for any.
    'trusted_proxies' => env('TRUSTED_PROXIES', ''),
    // With it a monitor reads /metrics.
    'metrics_key' => env('METRICS_KEY'),
    // The sign-in of the demo practice; made again on each machine by ./rung start.
    'demo_password' => env('DEMO_PASSWORD'),
];
