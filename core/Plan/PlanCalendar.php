<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\Scheduler;
use Rung\Core\Calendar\ScheduleRequest;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Time\Day;

/** The sessions that a stage's rhythm asks for on an athlete's days. */
final class PlanCalendar
{
    /**
     * @param list<Weekday> $available
     * @param list<Day> $blocked
     * @param list<Day> $events
     *
     * @return list<Placed> in date order
     */
    public static function of(PlanStage $stage, Day $from, int $days, array $available, array $blocked = [], array $events = []): array
    {
        return $stage->slots === [] ? [] : Scheduler::place(new ScheduleRequest(
            from: $from,
            days: $days,
            available: $available,
            slots: $stage->slots,
            rhythm: $stage->rhythm,
            blocked: $blocked,
            events: $events,
        ));
    }

    /**
     * The same from a later day on: the rhythm goes on from where it was.
     *
     * @param list<Weekday> $available
     * @param list<Day> $blocked
     * @param list<Day> $events
     *
     * @return list<Placed> in date order
     */
    public static function from(PlanStage $stage, Day $stageFrom, Day $from, int $days, array $available, array $blocked = [], array $events = []): array
    {
        $ahead = max(0, $from->daysSince($stageFrom));

        return array_values(array_filter(
            self::of($stage, $stageFrom, $ahead + $days, $available, $blocked, $events),
            static fn(Placed $placed): bool => !$from->isAfter($placed->on),
        ));
    }

    /**
     * What a plan asks for of a stage from a day on: the same without the days on which all of a session rests, and after
     * the programme is finished no more than is kept up.
     *
     * @param list<Weekday> $available
     * @param list<Day> $blocked
     * @param list<Day> $events
     *
     * @return list<Placed> in date order
     */
    public static function asked(Plan $plan, PlanStage $stage, Day $stageFrom, Day $from, int $days, array $available, array $blocked, array $events): array
    {
        $kept = $plan->maintenance?->calendarOf($stage);
        if ($kept !== null && $plan->maintenance !== null) {
            [$stage, $stageFrom] = [$kept, $plan->maintenance->from];
        }

        return array_values(array_filter(
            self::from($stage, $stageFrom, $from, $days, $available, $blocked, $events),
            static fn(Placed $placed): bool => !$plan->slotRests($stage, $placed->slot, $placed->on),
        ));
    }
}
