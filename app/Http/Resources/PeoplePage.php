<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Access\Permission;
use App\Models\CaseShare;
use App\Models\Practice;
use App\Models\Role;
use App\Models\ShareKind;
use App\Models\User;
use App\Support\Clock;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** The people of a practice, what each role may do, and whose cases were opened, for the owner. */
final class PeoplePage
{
    /** Openings of the cases of others that are shown at once. */
    private const MOST_OPENED = 20;

    /** @return array<string, mixed> */
    public static function present(Practice $practice): array
    {
        return [
            'people' => PersonResource::collection(self::people($practice)),
            'roles' => array_map(
                static fn(Role $role): array => [
                    'key' => $role->value,
                    'title' => $role->title(),
                    'words' => $role->words(),
                    'may' => array_column($role->permissions(), 'value'),
                ],
                Role::cases(),
            ),
            'permissions' => array_map(
                static fn(Permission $permission): array => [
                    'key' => $permission->value,
                    'words' => $permission->words(),
                ],
                Permission::cases(),
            ),
            'cases_open_to' => $practice->cases_open_to,
            'second_factor_needed' => $practice->second_factor_needed,
            'opened' => OpenedCaseResource::collection(
                CaseShare::query()
                    ->where('kind', ShareKind::Opened)
                    ->whereNull('owner_saw_at')
                    ->with(['user', 'case.athlete'])
                    ->orderByDesc('at')
                    ->limit(self::MOST_OPENED)
                    ->get(),
            ),
        ];
    }

    /** @return Collection<int, User> */
    private static function people(Practice $practice): Collection
    {
        $today = Clock::today($practice->timezone)->toIso();

        return User::query()
            ->whereIn('role', Role::STAFF)
            ->with('account')
            ->select('users.*')
            ->addSelect([
                'assigned_count' => CaseShare::query()
                    ->selectRaw('count(distinct case_id)')
                    ->whereColumn('user_id', 'users.id')
                    ->whereNull('ended_at')
                    ->where(static fn(Builder $until) => $until->whereNull('until')->orWhere('until', '>=', $today)),
            ])
            ->withCount('openCases')
            ->withExists('openInvitations as is_invited')
            ->orderBy('name')
            ->get();
    }
}
