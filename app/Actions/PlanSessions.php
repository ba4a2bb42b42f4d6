<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\StageEntry;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;
use Rung\Core\Calendar\Placed;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Time\Day;

/** Keeps a case's calendar filled for the weeks ahead. */
final class PlanSessions
{
    public const AHEAD_DAYS = 28;

    /**
     * Places the current stage's sessions from today on, under the plan that is in force on each day. What was planned
     * before and is no longer asked for is withdrawn, unless it was begun; what lies in the past stays as it was asked.
     */
    public static function ahead(CareCase $case): void
    {
        $today = Clock::today($case->practice->timezone);
        $entry = StageEntry::query()
            ->where('case_id', $case->id)
            ->where('from', '<=', $today->toIso())
            ->orderByDesc('from')
            ->first();
        $wanted = [];
        // Of a closed case nothing is asked any more.
        foreach (
            $entry === null || $case->closed_on !== null
                ? []
                : self::placed($case, $entry, $today, $today->plus(self::AHEAD_DAYS))
            as $place
        ) {
            $wanted["{$place->on->toIso()}/$place->slot/$place->number"] = $place;
        }
        $begun = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();
        $withdrawn = $kept = [];
        $stage = $entry->stage ?? '';
        // What was moved stands for the place that it came from, and is looked at first; moved before today, it has its day behind it.
        $rows = PlannedSession::query()
            ->where('case_id', $case->id)
            ->where(
                static fn(Builder $of): Builder => $of
                    ->where('on', '>=', $today->toIso())
                    ->orWhere('moved_from', '>=', $today->toIso()),
            )
            ->orderByDesc('dropped')
            ->orderByRaw('moved_from is null')
            ->orderBy('withdrawn')
            ->get()
            ->all();
        foreach ($rows as $planned) {
            if ($planned->dropped) {
                // Left out by a practitioner: nothing comes in its place as long as the stage lasts.
                if ($planned->stage === $stage) {
                    unset($wanted[($planned->moved_from ?? $planned->on) . "/$planned->slot/$planned->number"]);
                }
                continue;
            }
            if ($planned->added) {
                // Put in once more by a practitioner: it stays as long as the stage lasts, and stands for nothing of the plan.
                if (
                    $planned->on >= $today->toIso() &&
                    ($planned->stage !== $stage || $case->closed_on !== null) &&
                    !in_array($planned->id, $begun, true)
                ) {
                    $withdrawn[] = $planned->id;
                }
                continue;
            }
            $from = $planned->withdrawn ? $planned->on : $planned->moved_from ?? $planned->on;
            $key = "$from/$planned->slot/$planned->number";
            if ($planned->on < $today->toIso()) {
                unset($wanted[$key]);
                continue;
            }
            // Of a day that is over the plan asks for nothing any more: what was put off from there stays.
            if ($from < $today->toIso() && $planned->stage === $stage && $case->closed_on === null) {
                unset($wanted["$planned->on/$planned->slot/$planned->number"]);
                $kept[] = $planned->id;
                continue;
            }
            if (isset($wanted[$key])) {
                // Where the plan has come to ask for the same on its new day, one is enough.
                unset($wanted["$planned->on/$planned->slot/$planned->number"]);
                unset($wanted[$key]);
                $kept[] = $planned->id;
            } elseif (!in_array($planned->id, $begun, true)) {
                $withdrawn[] = $planned->id;
            }
        }
        PlannedSession::query()
            ->whereKey($withdrawn)
            ->where('withdrawn', false)
            ->update(['withdrawn' => true]);
        // What comes back was asked for by the plan, not moved there.
        PlannedSession::query()
            ->whereKey($kept)
            ->where('withdrawn', true)
            ->update(['moved_from' => null]);
        PlannedSession::query()
            ->whereKey($kept)
            ->whereNotIn('id', $begun)
            ->update(['withdrawn' => false, 'stage' => $stage]);
        PlannedSession::query()->insert(
            array_values(
                array_map(
                    static fn(Placed $place): array => [
                        'id' => (string) Str::uuid7(),
                        'practice_id' => $case->practice_id,
                        'case_id' => $case->id,
                        'on' => $place->on->toIso(),
                        'stage' => $stage,
                        'slot' => $place->slot,
                        'number' => $place->number,
                    ],
                    $wanted,
                ),
            ),
        );
    }

    /** Whether the calendar runs out sooner than it should. */
    public static function runsShort(CareCase $case): bool
    {
        $until = $case->plannedSessions()->max('on');
        $wanted = CarbonImmutable::now($case->practice->timezone)
            ->addDays(self::AHEAD_DAYS - 7)
            ->format('Y-m-d');

        return !is_string($until) || $until < $wanted;
    }

    /** @return list<Placed> what the plan would ask for on the days from one to before another, as things stand */
    public static function asked(CareCase $case, Day $from, Day $until): array
    {
        $entry = $case
            ->stageEntries()
            ->where('from', '<=', Clock::today($case->practice->timezone)->toIso())
            ->reorder('from', 'desc')
            ->first();

        return $entry === null || $case->closed_on !== null ? [] : self::placed($case, $entry, $from, $until);
    }

    /** @return list<Placed> under the plan in force, and from its first day on under the one that waits */
    private static function placed(CareCase $case, StageEntry $entry, Day $from, Day $until): array
    {
        [$stage, $stageFrom] = [$entry->stage, Day::fromIso($entry->from)];
        $waiting = $case->waitingPlan();
        $change = $waiting?->valid_from === null ? $until : Day::fromIso($waiting->valid_from);
        $change = $change->isAfter($until) ? $until : $change;
        $now = $case->plan();
        $then = $waiting === null ? $now : Plan::fromJson($waiting->content);

        return [
            ...self::under($now, $case, $stage, $stageFrom, $from, $change),
            ...self::under($then, $case, $stage, $stageFrom, $change->isAfter($from) ? $change : $from, $until),
        ];
    }

    /** @return list<Placed> on the days from one to before another, without those on which all that is asked for rests */
    private static function under(Plan $plan, CareCase $case, string $key, Day $stageFrom, Day $from, Day $until): array
    {
        $stage = $plan->stage($key);
        $days = $until->daysSince($from);

        return $stage === null || $days <= 0
            ? []
            : PlanCalendar::asked(
                $plan,
                $stage,
                $stageFrom,
                $from,
                $days,
                $case->weekdays($plan),
                $case->blocked,
                $case->events,
            );
    }
}
