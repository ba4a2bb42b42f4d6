<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CaseShare;
use App\Models\Cover;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;

/** Which cases of their practice somebody sees, for one request. */
final readonly class Sight
{
    /**
     * @param string $name as the database knows it (App\Database\Walls)
     * @param list<string>|null $people whose cases are seen; null where it is no matter whose
     * @param list<string>|null $cases that are shared beside them
     */
    private function __construct(public string $name, public ?array $people = null, public ?array $cases = null) {}

    public static function forUser(User $user): self
    {
        return match (true) {
            // Those too that are set aside. An athlete reaches their own by no id.
            $user->role === Role::Owner, $user->role === Role::Athlete => new self('every'),
            $user->role !== Role::Assistant && $user->practice->cases_open_to === 'practice' => new self('practice'),
            default => self::own($user),
        };
    }

    /** One's own, those of a colleague whom one stands in for today, and shared ones. */
    private static function own(User $user): self
    {
        $today = Clock::today($user->practice->timezone)->toIso();
        $away = Cover::query()
            ->where('user_id', $user->id)
            ->whereNull('ended_at')
            ->where('from', '<=', $today)
            ->where('until', '>=', $today)
            ->pluck('of')
            ->all();
        $shared = CaseShare::query()
            ->where('user_id', $user->id)
            ->whereNull('ended_at')
            ->where(static fn(Builder $until) => $until->whereNull('until')->orWhere('until', '>=', $today))
            ->pluck('case_id')
            ->all();
        $ids = static fn(array $found): array => array_values(array_filter($found, is_string(...)));

        return new self('own', [$user->id, ...$ids($away)], $ids($shared));
    }
}
