<?php

declare(strict_types=1);

namespace App\Models;

/** What is made in the background. */
enum FileKind: string
{
    /** A signed paper as PDF. */
    case Paper = 'paper';

    public function type(): string
    {
        return match ($this) {
            self::Paper => 'application/pdf',
        };
    }
}
