<?php

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        // Readable by their owner and the group of the web server alone; older ones are removed.
        'daily' => [
            'driver' => 'daily',
            'path' => env('LOG_PATH', storage_path('logs/rung.log')),
            'level' => env('LOG_LEVEL', 'warning'),
            'days' => 14,
            'permission' => 0640,
            'replace_placeholders' => true,
        ],
        'stderr' => [
            'driver' => 'monolog',
            'handler' => Monolog\Handler\StreamHandler::class,
            'handler_with' => ['stream' => 'php://stderr'],
            'level' => 'warning',
        ],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
    ],
];
