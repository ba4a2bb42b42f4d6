<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\CareCase;
use App\Models\User;

/** Who may decide about a case. Cases of other practices are not found at all; athletes reach their own by no id. */
final class CareCasePolicy
{
    public function decide(User $user, CareCase $case): bool
    {
        return $user->practice_id === $case->practice_id && $user->role->treats();
    }
}
