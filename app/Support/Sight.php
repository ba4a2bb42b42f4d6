<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Role;
use App\Models\User;

/** Which cases of their practice somebody sees. */
enum Sight: string
{
    /** Every one, those too that are set aside at an athlete's wish. */
    case Every = 'every';
    /** All but those. */
    case Practice = 'practice';
    /** One's own, shared ones, and those of a colleague whom one stands in for. */
    case Own = 'own';

    public static function of(User $user): self
    {
        return match (true) {
            // An athlete reaches their own by no id.
            $user->role === Role::Owner, $user->role === Role::Athlete => self::Every,
            $user->role === Role::Assistant => self::Own,
            default => $user->practice->cases_open_to === 'practice' ? self::Practice : self::Own,
        };
    }
}
