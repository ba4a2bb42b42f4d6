<?php

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'users'],
    'guards' => [
        'web' => ['driver' => 'session', 'provider' => 'users'],
        'sanctum' => ['driver' => 'sanctum', 'provider' => null],
    ],
    'providers' => ['users' => ['driver' => 'people', 'model' => App\Models\User::class]],
    'passwords' => [
        'users' => ['provider' => 'users', 'table' => 'password_reset_tokens', 'expire' => 60, 'throttle' => 60],
    ],
    // Seconds after which a sensitive act asks for the password again.
    'password_timeout' => 900,
];
