<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Decision;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;

/** Until when an athlete may put an entry right. */
final class EntryLock
{
    /** Decisions that rest on nothing an athlete entered. */
    private const BESIDE = ['open', 'note', 'review', 'sign_off', 'intake', 'visit'];

    private const NIGHT_ACHE = 'night_ache';

    /** @return string|null why an entry can no longer be changed by the athlete; null where it can */
    public static function whyLocked(CareCase $case, TrainingSession|CheckIn $entry): ?string
    {
        $zone = $case->practice->timezone;
        $on =
            $entry instanceof CheckIn
                ? $entry->local_on ?? $entry->at->setTimezone($zone)->format('Y-m-d')
                : $entry->started_at->setTimezone($zone)->format('Y-m-d');
        if ($on < CarbonImmutable::now($zone)->subDay()->format('Y-m-d')) {
            return 'is older than yesterday; tell your practitioner instead';
        }
        if (self::stops($case, $entry)) {
            return 'reported a stop: only your practitioner can take it back, after having seen you';
        }
        $decided = Decision::query()
            ->where('case_id', $case->id)
            ->whereNotIn('kind', self::BESIDE)
            ->where('at', '>=', $entry->created_at)
            ->exists();

        return $decided ? 'was decided on already; tell your practitioner instead' : null;
    }

    private static function stops(CareCase $case, TrainingSession|CheckIn $entry): bool
    {
        $stopAt = $case->response_rule->stop_at;
        $pains = $entry instanceof CheckIn ? [$entry->provocation] : array_column($entry->entries, 'pain');

        return array_diff($entry->signs, [self::NIGHT_ACHE]) !== [] ||
            array_filter($pains, static fn(mixed $pain): bool => is_int($pain) && $pain >= $stopAt) !== [];
    }
}
