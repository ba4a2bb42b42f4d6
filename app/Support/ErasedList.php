<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/**
 * Who was erased, in a file beside the database: a backup of before holds them still, and after it was restored they are
 * erased again by this list. It holds ids alone.
 */
final class ErasedList
{
    public static function path(): string
    {
        return storage_path('app/erased.jsonl');
    }

    /** @throws RuntimeException where it cannot be written: then nobody is erased */
    public static function add(string $practice, string $athlete, ?string $pseudonym): void
    {
        $line =
            json_encode(
                ['practice' => $practice, 'athlete' => $athlete, 'pseudonym' => $pseudonym],
                JSON_THROW_ON_ERROR,
            ) . "\n";
        @mkdir(dirname(self::path()), 0700, true);
        if (@file_put_contents(self::path(), $line, FILE_APPEND | LOCK_EX) !== strlen($line)) {
            throw new RuntimeException('the list of those who were erased cannot be written: ' . self::path());
        }
        @chmod(self::path(), 0600);
    }

    /** @return list<array{practice: string, athlete: string, pseudonym: string|null}> */
    public static function read(string $path): array
    {
        $found = [];
        foreach (is_file($path) ? (file($path, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []) : [] as $line) {
            $entry = json_decode($line, true);
            if (is_array($entry) && is_string($entry['practice'] ?? null) && is_string($entry['athlete'] ?? null)) {
                $found[] = [
                    'practice' => $entry['practice'],
                    'athlete' => $entry['athlete'],
                    'pseudonym' => is_string($entry['pseudonym'] ?? null) ? $entry['pseudonym'] : null,
                ];
            }
        }

        return $found;
    }
}
