<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\PlannedSession;
use App\Models\TrainingSession;
use App\Support\EntryLock;
use Carbon\CarbonImmutable;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Plan\Plan;
use Rung\Core\Time\Day;

/** What was entered on the phone lately, and what is still to be entered. */
final class PhoneEntries
{
    /** Hours after a session within which the athlete can say when things were back to normal. */
    private const SETTLING_HOURS = 48;

    /** Days back for which it can be said why a session was missed. */
    private const UNDONE_DAYS = 2;

    /** @return array<string, mixed> what was entered today and yesterday, to be looked at and put right */
    public static function entered(CareCase $case, Plan $plan, Catalogue $catalogue, Day $today): array
    {
        $zone = $case->practice->timezone;
        $from = CarbonImmutable::parse($today->plus(-1)->toIso(), $zone);
        $exercises = array_column([...$plan->prescriptions(), ...$plan->leftOut], 'exercise', 'key');
        $titles = PlannedSession::query()
            ->where('case_id', $case->id)
            ->whereIn(
                'id',
                $case->trainingSessions()->where('started_at', '>=', $from)->pluck('planned_id')->filter()->all(),
            )
            ->get()
            ->keyBy('id');

        return [
            'mornings' => array_values(
                $case
                    ->checkIns()
                    ->where('at', '>=', $from)
                    ->whereNotNull('provocation')
                    ->get()
                    ->map(
                        static fn(CheckIn $checkIn): array => [
                            'id' => $checkIn->id,
                            'on' => $checkIn->local_on ?? $checkIn->at->setTimezone($zone)->format('Y-m-d'),
                            'at' => $checkIn->at->setTimezone($zone)->toIso8601String(),
                            'provocation' => $checkIn->provocation,
                            'stiffness_min' => $checkIn->stiffness_min,
                            'locked' => EntryLock::whyLocked($case, $checkIn),
                        ],
                    )
                    ->all(),
            ),
            'sessions' => array_values(
                $case
                    ->trainingSessions()
                    ->where('started_at', '>=', $from)
                    ->get()
                    ->map(static function (TrainingSession $session) use (
                        $case,
                        $zone,
                        $titles,
                        $plan,
                        $catalogue,
                        $exercises,
                    ): array {
                        $planned = $titles->get($session->planned_id ?? '');

                        return [
                            'id' => $session->id,
                            'on' => $session->started_at->setTimezone($zone)->format('Y-m-d'),
                            'at' => $session->started_at->setTimezone($zone)->toIso8601String(),
                            'title' =>
                                ($planned === null
                                    ? null
                                    : $plan->stage($planned->stage)?->slot($planned->slot)?->name()) ??
                                ($session->kind === 'sport' ? 'Practice' : 'Session'),
                            'kind' => $session->kind,
                            'minutes' => $session->minutes,
                            'effort' => $session->effort,
                            'settled_min' => $session->settled_min,
                            'entries' => array_map(
                                static fn(array $entry): array => [
                                    'prescription' => $entry['prescription'] ?? null,
                                    'title' => isset($entry['prescription'])
                                        ? $catalogue->titleOf(
                                            $exercises[$entry['prescription']] ?? $entry['prescription'],
                                        )
                                        : 'Practice',
                                    'pain' => $entry['pain'] ?? null,
                                    'sets' => count($entry['sets'] ?? []),
                                ],
                                $session->entries,
                            ),
                            'locked' => EntryLock::whyLocked($case, $session),
                        ];
                    })
                    ->all(),
            ),
        ];
    }

    /** @return list<array<string, mixed>> planned sessions of the last days and today that were not done, so that it can be said why */
    public static function undone(CareCase $case, Plan $plan, Day $today): array
    {
        $done = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();

        return array_values(
            $case
                ->plannedSessions()
                ->whereBetween('on', [$today->plus(-self::UNDONE_DAYS)->toIso(), $today->toIso()])
                ->whereNotIn('id', $done)
                ->get()
                ->map(
                    static fn(PlannedSession $planned): array => [
                        'planned' => $planned->id,
                        'on' => $planned->on,
                        'title' => $plan->stage($planned->stage)?->slot($planned->slot)?->name() ?? 'Session',
                        'why' => $planned->missed_why,
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array{session: string, ended_at: string}> sessions that have no time of settling yet, oldest first */
    public static function settling(CareCase $case): array
    {
        return array_values(
            $case
                ->trainingSessions()
                ->whereNull('settled_min')
                ->where('ended_at', '>', CarbonImmutable::now()->utc()->subHours(self::SETTLING_HOURS))
                ->get()
                // After a session without pain there is nothing to settle.
                ->filter(
                    static fn(TrainingSession $session): bool => max([
                        0,
                        ...array_map('intval', array_column($session->entries, 'pain')),
                    ]) > 0,
                )
                ->map(
                    static fn(TrainingSession $session): array => [
                        'session' => $session->id,
                        'ended_at' => $session->ended_at->setTimezone($case->practice->timezone)->toIso8601String(),
                    ],
                )
                ->all(),
        );
    }
}
