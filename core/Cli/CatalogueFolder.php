<?php

declare(strict_types=1);

namespace Rung\Core\Cli;

use Rung\Core\Catalogue\Catalogue;
use RuntimeException;

/** The catalogue that ships with the core, read off its documents. */
final class CatalogueFolder
{
    public static function read(): Catalogue
    {
        $folder = dirname(__DIR__, 2) . '/catalogue';
        $paths = [...(glob("$folder/*.json") ?: []), ...(glob("$folder/exercises/*.json") ?: []), ...(glob("$folder/programmes/*.json") ?: [])];

        return Catalogue::fromDocuments(array_map(
            static fn(string $path): string => file_get_contents($path) ?: throw new RuntimeException("$path cannot be read"),
            $paths,
        ));
    }
}
