<?php

declare(strict_types=1);

namespace App\Support;

use Rung\Core\Catalogue\Catalogue;
use RuntimeException;

/** Reads the catalogue that ships with the application. */
final class CatalogueFiles
{
    public static function load(string $folder): Catalogue
    {
        $paths = array_merge(glob("$folder/*.json") ?: [], glob("$folder/exercises/*.json") ?: [], glob("$folder/programmes/*.json") ?: []);

        return Catalogue::fromDocuments(array_map(
            static fn(string $path): string => file_get_contents($path) ?: throw new RuntimeException("$path cannot be read"),
            $paths,
        ));
    }
}
