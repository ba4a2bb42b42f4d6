<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\LibraryItem;
use App\Models\User;
use Carbon\CarbonImmutable;

/**
 * Which state a page of a case shows: what was written to it or to the athlete's other cases, the practice's library, and
 * the time of day in steps, since a case changes with time alone. A page that asks again and again is answered by this,
 * without evaluating anything, until it is another one.
 */
final class PageVersion
{
    private const STEP_MIN = 10;

    public static function of(CareCase $case, User $for): string
    {
        $cases = CareCase::query()->where('athlete_id', $case->athlete_id)->orderBy('id')->toBase()->get(['id', 'revision', 'closed_on', 'evaluated_at']);
        $library = LibraryItem::query()->where('practice_id', $case->practice_id)->toBase()->selectRaw('count(*) as n, max(created_at) as newest')->first();
        $step = intdiv(CarbonImmutable::now()->getTimestamp(), 60 * self::STEP_MIN);

        return hash('xxh128', json_encode([$case->id, $for->id, $step, $cases, $library], JSON_THROW_ON_ERROR));
    }
}
