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
     * Kinds of session that have days of their own are placed by themselves, beside the stage's rhythm.
     *
     * @param list<Weekday> $available
     * @param list<Day> $blocked
     * @param list<Day> $events
     *
     * @return list<Placed> in date order
     */
    public static function fill(
        PlanStage $stage,
        Day $from,
        int $days,
        array $available,
        array $blocked = [],
        array $events = [],
    ): array {
        $inTurn = $stage->inTurn();
        $groups = $inTurn === [] ? [] : [[$inTurn, $stage->rhythm]];
        foreach ($stage->slots as $slot) {
            if ($slot->beside !== null) {
                $groups[] = [[$slot], $slot->beside];
            }
        }
        $placed = [];
        foreach ($groups as [$slots, $rhythm]) {
            array_push(
                $placed,
                ...Scheduler::place(new ScheduleRequest($from, $days, $available, $slots, $rhythm, $blocked, $events)),
            );
        }
        // Of one day in the order in which they were placed.
        usort($placed, static fn(Placed $a, Placed $b): int => $a->on->number <=> $b->on->number);

        return $placed;
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
    public static function from(
        PlanStage $stage,
        Day $stageFrom,
        Day $from,
        int $days,
        array $available,
        array $blocked = [],
        array $events = [],
    ): array {
        $ahead = max(0, $from->daysSince($stageFrom));

        return array_values(
            array_filter(
                self::fill($stage, $stageFrom, $ahead + $days, $available, $blocked, $events),
                static fn(Placed $placed): bool => !$from->isAfter($placed->on),
            ),
        );
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
    public static function asked(
        Plan $plan,
        PlanStage $stage,
        Day $stageFrom,
        Day $from,
        int $days,
        array $available,
        array $blocked,
        array $events,
    ): array {
        $kept = $plan->maintenance?->calendarOf($stage);
        if ($kept !== null && $plan->maintenance !== null) {
            [$stage, $stageFrom] = [$kept, $plan->maintenance->from];
        }

        return array_values(
            array_filter(
                self::from($stage, $stageFrom, $from, $days, $available, $blocked, $events),
                static fn(Placed $placed): bool => !$plan->slotRests($stage, $placed->slot, $placed->on),
            ),
        );
    }
}
