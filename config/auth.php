<?php

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'users'],
    'guards' => [
        'web' => ['driver' => 'session', 'provider' => 'users'],
        'sanctum' => ['driver' => 'sanctum', 'provider' => null],
    ],
    'providers' => ['users' => ['driver' => 'people', 'model' => App\Models\User::class]],
    'passwords' => [],
    'password_timeout' => 10800,
];
