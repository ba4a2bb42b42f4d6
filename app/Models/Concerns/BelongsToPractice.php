<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Auth;

/** Lets a signed-in person see the rows of their own practice alone; all others are not found. */
trait BelongsToPractice
{
    public static function bootBelongsToPractice(): void
    {
        static::addGlobalScope('practice', static function (Builder $query): void {
            // hasUser() and not user(): asking for the person must not depend on this scope itself.
            $user = Auth::hasUser() ? Auth::user() : null;
            if ($user instanceof User) {
                $query->where($query->qualifyColumn('practice_id'), $user->practice_id);
            }
        });
    }
}
