<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Log;
use Throwable;

/**
 * What the log keeps of a failure: its class, where it happened, and of the database its code. Messages are left out,
 * since they hold statements, names and notes.
 */
final class SafeReport
{
    private const FRAMES = 12;

    public static function write(Throwable $problem): void
    {
        $route = app()->bound('request') ? request()->route()?->uri() : null;
        $lines = [];
        for ($cause = $problem; $cause !== null; $cause = $cause->getPrevious()) {
            $code =
                $cause instanceof QueryException || $cause instanceof \PDOException
                    ? ' SQLSTATE ' . self::state($cause)
                    : '';
            $lines[] = $cause::class . $code . ' at ' . self::place($cause->getFile(), $cause->getLine());
        }
        foreach (array_slice($problem->getTrace(), 0, self::FRAMES) as $frame) {
            $lines[] =
                '  ' .
                ($frame['class'] ?? '') .
                ($frame['type'] ?? '') .
                $frame['function'] .
                ' ' .
                self::place($frame['file'] ?? '', $frame['line'] ?? 0);
        }
        Log::error(
            'failed' .
                ($route === null ? '' : ' in ' . request()->method() . " /$route") .
                "\n" .
                implode("\n", $lines),
        );
    }

    /** Five letters or digits that say what kind of fault the database met. */
    private static function state(\PDOException $problem): string
    {
        $state = is_array($problem->errorInfo) ? $problem->errorInfo[0] ?? null : null;

        return is_string($state) && preg_match('/^[0-9A-Z]{5}$/', $state) === 1 ? $state : 'unknown';
    }

    private static function place(string $file, int $line): string
    {
        return str_replace(base_path() . '/', '', $file) . ":$line";
    }
}
