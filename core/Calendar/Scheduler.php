<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/** Places the sessions of a stage on dates (docs/rules.md, "The calendar"). */
final class Scheduler
{
    /** @return list<Placed> in date order */
    public static function place(ScheduleRequest $request): array
    {
        $days =
            $request->rhythm->cycle === null
                ? self::spaced($request)
                : self::cycled($request, array_map($request->slot(...), $request->rhythm->cycle));
        $placed = [];
        foreach ($days as [$day, $slot]) {
            for ($number = 1; $number <= $slot->times_per_day; $number++) {
                $placed[] = new Placed($day, $slot->key, $number);
            }
        }

        return $placed;
    }

    /**
     * @param list<Slot> $cycle
     *
     * @return iterable<array{Day, Slot}>
     */
    private static function cycled(ScheduleRequest $request, array $cycle): iterable
    {
        $turn = 0;
        $standIn = null;
        for ($i = 0; $i < $request->days; $i++) {
            $day = $request->from->plus($i);
            if (!$request->isUsable($day)) {
                continue;
            }
            if (!$cycle[$turn]->mode->isSpringy() || !$request->keepsSpringsOff($day)) {
                yield [$day, $cycle[$turn]];
                $turn = ($turn + 1) % count($cycle);
                $standIn = null;
                continue;
            }
            // The springs keep their turn; the day takes the next slot that is none.
            $standIn = self::nextWithoutSprings($cycle, $standIn ?? $turn);
            if ($standIn !== null) {
                yield [$day, $cycle[$standIn]];
            }
        }
    }

    /** @param list<Slot> $cycle */
    private static function nextWithoutSprings(array $cycle, int $after): ?int
    {
        for ($step = 1; $step <= count($cycle); $step++) {
            $position = ($after + $step) % count($cycle);
            if (!$cycle[$position]->mode->isSpringy()) {
                return $position;
            }
        }

        return null;
    }

    /** @return iterable<array{Day, Slot}> of the first slot, every n days or n times a week */
    private static function spaced(ScheduleRequest $request): iterable
    {
        $slot = $request->slots[0];
        $gap = $request->rhythm->every_days ?? ($request->rhythm->min_gap_days ?? 0);
        $last = null;
        $week = null;
        $inWeek = 0;
        for ($i = 0; $i < $request->days; $i++) {
            $day = $request->from->plus($i);
            $monday = $day->number - $day->weekday() + 1;
            if ($monday !== $week) {
                [$week, $inWeek] = [$monday, 0];
            }
            if (
                !$request->isUsable($day) ||
                ($slot->mode->isSpringy() && $request->keepsSpringsOff($day)) ||
                ($last !== null && $day->daysSince($last) < $gap) ||
                ($request->rhythm->per_week !== null && $inWeek >= $request->rhythm->per_week)
            ) {
                continue;
            }
            yield [$day, $slot];
            $last = $day;
            $inWeek++;
        }
    }
}
