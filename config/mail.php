<?php

return [
    // What ships with Rung: letters are laid in a folder and leave the machine for nobody. MAIL_MAILER=smtp sends them.
    'default' => env('MAIL_MAILER', 'folder'),
    'mailers' => [
        'folder' => ['transport' => 'folder'],
        'smtp' => [
            'transport' => 'smtp',
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 10,
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'rung@localhost'), 'name' => 'Rung'],
];
