<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use RuntimeException;

/** A folder with the figures of a catalogue: the postures that they begin from, and a file for each region. */
final class FigureFolder
{
    private const POSTURES = 'postures.json';

    /** The one that ships with the core. */
    public static function own(): string
    {
        return dirname(__DIR__, 2) . '/catalogue/figures';
    }

    public static function read(string $folder): FigureBook
    {
        return FigureBook::fromDocuments(
            self::text("$folder/" . self::POSTURES),
            array_map(
                self::text(...),
                array_values(
                    array_filter(
                        self::paths($folder),
                        static fn(string $path): bool => basename($path) !== self::POSTURES,
                    ),
                ),
            ),
        );
    }

    /** @return list<string> */
    public static function paths(string $folder): array
    {
        return glob("$folder/*.json") ?: [];
    }

    private static function text(string $path): string
    {
        return file_get_contents($path) ?: throw new RuntimeException("$path cannot be read");
    }
}
