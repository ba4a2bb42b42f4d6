<?php

declare(strict_types=1);

namespace App\Models;

/** What is made in the background. */
enum FileKind: string
{
    /** A signed paper as PDF. */
    case Paper = 'paper';
    /** All that is kept of an athlete, as a zip archive. */
    case Athlete = 'athlete';

    public function type(): string
    {
        return match ($this) {
            self::Paper => 'application/pdf',
            self::Athlete => 'application/zip',
        };
    }
}
