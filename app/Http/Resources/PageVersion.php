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

    /** Raised whenever a page changes its shape, so that no answer of an earlier version passes for the current one. */
    private const SHAPE = 3;

    public static function forCase(CareCase $case, User $for): string
    {
        return self::hash([$case->id, $for->id, self::written($case->athlete_id)]);
    }

    /** Of the page of an athlete, over all their cases; it also says whom to call. */
    public static function ofAthlete(User $athlete): string
    {
        return self::hash([
            $athlete->id,
            self::written((string) $athlete->athlete_id),
            WhomToCall::present($athlete->practice),
        ]);
    }

    /** What was written last to each case of the athlete and to the library, in one question, since every poll asks it. */
    private static function written(string $athlete): mixed
    {
        $library = LibraryItem::query()->toBase()->selectRaw("concat(count(*), ' ', max(created_at))");

        return CareCase::query()
            ->where('athlete_id', $athlete)
            ->orderBy('id')
            ->toBase()
            ->select(['id', 'revision', 'closed_on', 'evaluated_at'])
            ->selectSub($library, 'library')
            ->get();
    }

    /** @param list<mixed> $state */
    private static function hash(array $state): string
    {
        return hash(
            'xxh128',
            json_encode(
                [self::SHAPE, intdiv(CarbonImmutable::now()->getTimestamp(), 60 * self::STEP_MIN), ...$state],
                JSON_THROW_ON_ERROR,
            ),
        );
    }
}
