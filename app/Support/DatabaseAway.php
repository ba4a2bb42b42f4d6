<?php

declare(strict_types=1);

namespace App\Support;

use PDOException;
use Throwable;

/** Whether a failure means that PostgreSQL cannot be reached for the moment: started again, shutting down, out of connections. */
final class DatabaseAway
{
    /** Seconds after which to try again. */
    public const RETRY_S = 5;

    private const STATES = ['08000', '08001', '08003', '08004', '08006', '57P01', '57P02', '57P03', '53300'];

    private const WORDS = [
        'server closed the connection',
        'no connection to the server',
        'connection refused',
        'terminating connection',
        'could not connect',
        'ssl syscall error',
    ];

    public static function because(Throwable $problem): bool
    {
        for ($cause = $problem; $cause !== null; $cause = $cause->getPrevious()) {
            if (!($cause instanceof PDOException)) {
                continue;
            }
            $state = is_array($cause->errorInfo) ? $cause->errorInfo[0] ?? '' : '';
            $message = strtolower($cause->getMessage());
            if (
                in_array($state, self::STATES, true) ||
                array_filter(self::WORDS, static fn(string $word): bool => str_contains($message, $word)) !== []
            ) {
                return true;
            }
        }

        return false;
    }
}
