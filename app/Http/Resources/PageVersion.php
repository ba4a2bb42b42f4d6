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
        return self::hash([$case->id, $for->id, self::cases($case->athlete_id), self::library($for)]);
    }

    /** Of the page of an athlete, over all their cases; whom to call is told there too. */
    public static function ofAthlete(User $athlete): string
    {
        return self::hash([$athlete->id, self::cases((string) $athlete->athlete_id), self::library($athlete), WhomToCall::of($athlete->practice)]);
    }

    private static function cases(string $athlete): mixed
    {
        return CareCase::query()->where('athlete_id', $athlete)->orderBy('id')->toBase()->get(['id', 'revision', 'closed_on', 'evaluated_at']);
    }

    private static function library(User $for): mixed
    {
        return LibraryItem::query()->where('practice_id', $for->practice_id)->toBase()->selectRaw('count(*) as n, max(created_at) as newest')->first();
    }

    /** @param list<mixed> $state */
    private static function hash(array $state): string
    {
        return hash('xxh128', json_encode([intdiv(CarbonImmutable::now()->getTimestamp(), 60 * self::STEP_MIN), ...$state], JSON_THROW_ON_ERROR));
    }
}
