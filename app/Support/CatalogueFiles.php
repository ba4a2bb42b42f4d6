<?php

declare(strict_types=1);

namespace App\Support;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\CatalogueFolder;

/** Reads the catalogue that ships with the application, and keeps it ready read. */
final class CatalogueFiles
{
    private const READ_BY = 'Catalogue,Dose,Plan,Stage,Calendar,Lint,Screening,Response';

    /** @param string $keep file in which the catalogue is kept once read */
    public static function load(string $folder, string $keep): Catalogue
    {
        return KeptReading::read(
            CatalogueFolder::paths($folder),
            self::READ_BY,
            $keep,
            Catalogue::class,
            static fn(): Catalogue => CatalogueFolder::read($folder),
        );
    }
}
