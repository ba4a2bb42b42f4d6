<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Throwable;

/** Documents that are read into one object, and kept ready read until they or the code that reads them change. */
final class KeptReading
{
    /**
     * @template T of object
     *
     * @param list<string> $paths of the documents
     * @param string $folders of the core whose code reads them, separated by commas
     * @param string $keep file in which the object is kept
     * @param class-string<T> $class
     * @param Closure(): T $read
     *
     * @return T
     */
    public static function read(array $paths, string $folders, string $keep, string $class, Closure $read): object
    {
        $print = self::fingerprint($paths, $folders);
        $kept = is_file($keep) ? (string) file_get_contents($keep) : '';
        if (str_starts_with($kept, $print)) {
            try {
                $object = unserialize(substr($kept, strlen($print)));
                if ($object instanceof $class) {
                    return $object;
                }
            } catch (Throwable) {
                // Written by other code: read the documents again.
            }
        }
        $object = $read();
        $fresh = $keep . '.' . getmypid();
        if (@file_put_contents($fresh, $print . serialize($object)) !== false) {
            rename($fresh, $keep);
        }

        return $object;
    }

    /**
     * Another text whenever a document or the code that reads it is another.
     *
     * @param list<string> $paths
     */
    public static function fingerprint(array $paths, string $folders): string
    {
        $code = dirname(__DIR__, 2) . '/core';
        $watched = [...$paths, ...glob("$code/{{$folders}}/*.php", GLOB_BRACE) ?: []];

        return hash(
            'xxh128',
            implode(
                '|',
                array_map(
                    static fn(string $path): string => "$path:" . filemtime($path) . ':' . filesize($path),
                    $watched,
                ),
            ),
        );
    }
}
