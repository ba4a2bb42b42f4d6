<?php

declare(strict_types=1);

namespace App\Models;

/** The kinds of things that a practice can have copies of, with the list of a library file that holds them. */
enum LibraryKind: string
{
    case Exercise = 'exercise';
    case Ladder = 'ladder';
    case Programme = 'programme';
    case Rule = 'rule';
    case Measure = 'measure';

    public function list(): string
    {
        return match ($this) {
            self::Exercise => 'exercises',
            self::Ladder => 'ladders',
            self::Programme => 'programmes',
            self::Rule => 'response_rules',
            self::Measure => 'measures',
        };
    }
}
