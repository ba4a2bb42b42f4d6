<?php

declare(strict_types=1);

namespace App\Support;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\CatalogueFolder;
use Throwable;

/** Reads the catalogue that ships with the application, and keeps it ready read. */
final class CatalogueFiles
{
    /**
     * @param string $keep file in which the catalogue is kept once read; it is written anew when a
     *     document or the code that reads it is another one
     */
    public static function load(string $folder, string $keep): Catalogue
    {
        $paths = CatalogueFolder::paths($folder);
        $print = self::fingerprint($paths);
        $kept = is_file($keep) ? (string) file_get_contents($keep) : '';
        if (str_starts_with($kept, $print)) {
            try {
                $catalogue = unserialize(substr($kept, strlen($print)));
                if ($catalogue instanceof Catalogue) {
                    return $catalogue;
                }
            } catch (Throwable) {
                // Written by other code: read the documents again.
            }
        }
        $catalogue = CatalogueFolder::read($folder);
        $fresh = $keep . '.' . getmypid();
        if (@file_put_contents($fresh, $print . serialize($catalogue)) !== false) {
            rename($fresh, $keep);
        }

        return $catalogue;
    }

    /** @param list<string> $paths */
    private static function fingerprint(array $paths): string
    {
        $code = dirname(__DIR__, 2) . '/core';
        $watched = [...$paths, ...(glob("$code/{Catalogue,Dose,Plan,Stage,Calendar,Lint,Screening,Response}/*.php", GLOB_BRACE) ?: [])];

        return hash('xxh128', implode('|', array_map(static fn(string $path): string => "$path:" . filemtime($path) . ':' . filesize($path), $watched)));
    }
}
