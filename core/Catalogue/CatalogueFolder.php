<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use RuntimeException;

/** A folder with the documents of a catalogue. */
final class CatalogueFolder
{
    /** The one that ships with the core. */
    public static function own(): string
    {
        return dirname(__DIR__, 2) . '/catalogue';
    }

    public static function read(string $folder): Catalogue
    {
        return Catalogue::fromDocuments(
            array_map(
                static fn(string $path): string => file_get_contents($path) ?:
                throw new RuntimeException("$path cannot be read"),
                self::paths($folder),
            ),
        );
    }

    /** @return list<string> */
    public static function paths(string $folder): array
    {
        return array_merge(
            glob("$folder/*.json") ?: [],
            glob("$folder/exercises/*.json") ?: [],
            glob("$folder/programmes/*.json") ?: [],
        );
    }
}
