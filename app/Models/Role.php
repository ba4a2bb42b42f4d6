<?php

declare(strict_types=1);

namespace App\Models;

/** What a person may do in a practice. */
enum Role: string
{
    case Owner = 'owner';
    case Practitioner = 'practitioner';
    case Athlete = 'athlete';

    public function treats(): bool
    {
        return $this !== self::Athlete;
    }
}
