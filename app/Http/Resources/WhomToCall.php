<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Practice;

/** Whom an athlete calls, and when somebody is there. */
final class WhomToCall
{
    /** @return array{name: string, telephone: string|null, hours: string|null} */
    public static function present(Practice $practice): array
    {
        return ['name' => $practice->name, 'telephone' => $practice->telephone, 'hours' => $practice->hours];
    }
}
