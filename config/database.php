<?php

return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '54329'),
            'database' => env('DB_DATABASE', 'rung'),
            'username' => env('DB_USERNAME', 'rung_app'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'prefix' => '',
            'sslmode' => 'prefer',
            // The role's own settings (UTC) hold, so that no statement has to set them at every request.
            // Signing on to PostgreSQL costs more than most requests; each worker keeps its connection.
            // No statement is run twice in a request, so each is sent with its values in one go instead of being prepared first.
            'options' => [
                PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false),
                PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
            ],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
