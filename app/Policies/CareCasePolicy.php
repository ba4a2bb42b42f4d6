<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Permission;
use App\Models\CareCase;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/**
 * What somebody may do with a case, by their role (App\Models\Role). Cases of other practices, and those that they do not
 * see, are not found at all; athletes reach their own by no id. A record that is set aside at the athlete's wish is looked
 * at by the owner alone, and nothing is decided or entered in it.
 */
final class CareCasePolicy
{
    public function see(User $user, CareCase $case): bool
    {
        return self::may($user, $case, Permission::See);
    }

    public function enter(User $user, CareCase $case): bool|Response
    {
        return self::may($user, $case, Permission::Enter) ? self::unlessSetAside($case) : false;
    }

    public function decide(User $user, CareCase $case): bool|Response
    {
        return self::may($user, $case, Permission::Decide) ? self::unlessSetAside($case) : false;
    }

    public function takeOut(User $user, CareCase $case): bool
    {
        return self::may($user, $case, Permission::TakeOut);
    }

    public function manage(User $user, CareCase $case): bool
    {
        return self::may($user, $case, Permission::Manage);
    }

    private static function unlessSetAside(CareCase $case): bool|Response
    {
        return !$case->set_aside
            ? true
            : Response::deny(
                'This record is set aside at the athlete’s wish: nothing is decided or entered until it is settled.',
            );
    }

    private static function may(User $user, CareCase $case, Permission $permission): bool
    {
        return $user->practice_id === $case->practice_id && $user->may($permission);
    }
}
