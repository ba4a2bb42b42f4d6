<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\StageEntry;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Time\Day;

/** Keeps a case's calendar filled for the weeks ahead. */
final class PlanSessions
{
    public const AHEAD_DAYS = 28;

    /**
     * Places the current stage's sessions from today on. What was planned before and not begun gives
     * way; what lies in the past stays as it was asked.
     */
    public static function ahead(CareCase $case): void
    {
        $today = Clock::today($case->practice->timezone);
        $entry = StageEntry::query()->where('case_id', $case->id)->where('from', '<=', $today->toIso())->orderByDesc('from')->first();
        $stage = $entry === null ? null : $case->plan()->stage($entry->stage);
        if ($entry === null || $stage === null) {
            return;
        }
        $from = Day::fromIso($entry->from);
        $begun = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();
        PlannedSession::query()->where('case_id', $case->id)->where('on', '>=', $today->toIso())->whereNotIn('id', $begun)->delete();
        $kept = PlannedSession::query()->where('case_id', $case->id)->where('on', '>=', $today->toIso())->get()
            ->mapWithKeys(static fn(PlannedSession $p): array => ["$p->on/$p->slot/$p->number" => true])->all();

        $rows = [];
        $placed = PlanCalendar::of(
            $stage,
            $from,
            $today->daysSince($from) + self::AHEAD_DAYS,
            $case->weekdays(),
            $case->blockedDays(),
            $case->eventDays(),
        );
        foreach ($placed as $place) {
            $key = "{$place->on->toIso()}/$place->slot/$place->number";
            if (!$today->isAfter($place->on) && !isset($kept[$key])) {
                $rows[] = [
                    'id' => (string) Str::uuid7(),
                    'practice_id' => $case->practice_id,
                    'case_id' => $case->id,
                    'on' => $place->on->toIso(),
                    'stage' => $stage->stage->key,
                    'slot' => $place->slot,
                    'number' => $place->number,
                ];
            }
        }
        PlannedSession::query()->insert($rows);
    }

    /** Whether the calendar runs out sooner than it should. */
    public static function runsShort(CareCase $case): bool
    {
        $until = PlannedSession::query()->where('case_id', $case->id)->max('on');
        $wanted = CarbonImmutable::now($case->practice->timezone)->addDays(self::AHEAD_DAYS - 7)->format('Y-m-d');

        return !is_string($until) || $until < $wanted;
    }
}
