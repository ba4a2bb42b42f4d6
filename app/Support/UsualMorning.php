<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\CheckIn;
use Carbon\CarbonImmutable;

/** The time of day at which an athlete answers the morning, by the answers of the last three weeks that were given on time. */
final class UsualMorning
{
    private const DAYS = 21;

    /** @return string|null the median as "07:05" in the practice's zone; null where no morning was answered yet */
    public static function forCase(CareCase $case): ?string
    {
        $answers = $case
            ->checkIns()
            ->where('at', '>', CarbonImmutable::now()->utc()->subDays(self::DAYS))
            ->where('late', false)
            ->whereNotNull('provocation')
            ->get();
        $times = $answers
            ->map(
                static fn(CheckIn $checkIn): string => $checkIn->at
                    ->setTimezone($case->practice->timezone)
                    ->format('H:i'),
            )
            ->sort()
            ->values()
            ->all();

        return $times === [] ? null : $times[intdiv(count($times), 2)];
    }
}
