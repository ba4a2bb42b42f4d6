<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\EraseAthlete;
use App\Models\CareCase;
use App\Models\Consent;
use App\Models\ConsentPurpose;
use App\Support\Clock;

/** What an athlete agreed to, and whether the record is set aside, must be kept or can be erased. */
final class RightsPage
{
    /** @return array<string, mixed> */
    public static function present(CareCase $case): array
    {
        $athlete = $case->athlete;
        $all = Consent::query()
            ->where('athlete_id', $athlete->id)
            ->with('user')
            ->orderByDesc('on')
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->get();

        return [
            'athlete' => $athlete->name,
            'today' => Clock::today($case->practice->timezone)->toIso(),
            'purposes' => array_map(
                static fn(ConsentPurpose $purpose): array => [
                    'key' => $purpose->value,
                    'title' => $purpose->title(),
                    'given' => $all->firstWhere('purpose', $purpose)?->given,
                ],
                ConsentPurpose::cases(),
            ),
            'consents' => ConsentResource::collection($all),
            'restricted' =>
                $athlete->restricted_at === null
                    ? null
                    : [
                        'at' => $athlete->restricted_at->setTimezone($case->practice->timezone)->toIso8601String(),
                        'why' => $athlete->restricted_why ?? '',
                    ],
            'kept_years' => $case->practice->kept_years,
            'is_kept' => EraseAthlete::mustBeKept($athlete, $case->practice),
            'is_unnamed' => $athlete->unnamed_at !== null,
            'has_open_case' => CareCase::query()->where('athlete_id', $athlete->id)->whereNull('closed_on')->exists(),
        ];
    }
}
