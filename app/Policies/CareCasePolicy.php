<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\CareCase;
use App\Models\User;

/** Who may do what with a case. Cases of other practices are not found at all. */
final class CareCasePolicy
{
    public function view(User $user, CareCase $case): bool
    {
        return $this->decide($user, $case) || $this->train($user, $case);
    }

    public function decide(User $user, CareCase $case): bool
    {
        return $user->practice_id === $case->practice_id && $user->role->treats();
    }

    public function train(User $user, CareCase $case): bool
    {
        return $user->practice_id === $case->practice_id && $user->athlete_id === $case->athlete_id;
    }
}
