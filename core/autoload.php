<?php

declare(strict_types=1);

/*
 * Loads the core's classes without Composer, so that bin/rung runs on a machine
 * that has nothing but PHP.
 */
spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'Rung\\Core\\')) {
        $file = __DIR__ . '/' . strtr(substr($class, 10), '\\', '/') . '.php';
        if (is_file($file)) {
            require $file;
        }
    }
});
