<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Support\CurrentPractice;
use Illuminate\Database\Eloquent\Builder;

/** Rows of the current practice alone are seen; all others are not found. Where no practice is known, none are. */
trait BelongsToPractice
{
    public static function bootBelongsToPractice(): void
    {
        static::addGlobalScope('practice', static function (Builder $query): void {
            $practice = app(CurrentPractice::class);
            if ($practice->isEvery()) {
                return;
            }
            $id = $practice->id();
            $id === null ? $query->whereRaw('false') : $query->where($query->qualifyColumn('practice_id'), $id);
        });
    }
}
