<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/** Makes a week lighter by leaving sessions out (docs/rules.md, "Weeks"). */
final class LighterWeek
{
    public const LEAST_PERCENT = 10;

    public const MOST_PERCENT = 80;

    /**
     * Of each slot that share of the week's sessions goes, spread over the week; one at least stays.
     *
     * @param list<Booked> $booked in any order; fixed ones count and stay
     * @param Day $in any day of the week
     * @param int $lessPercent {@see LEAST_PERCENT} to {@see MOST_PERCENT}
     *
     * @return list<Booked> those that are left out, in the order of their days
     */
    public static function leaveOut(array $booked, Day $in, int $lessPercent): array
    {
        $monday = WeekCheck::monday($in->number);
        $bySlot = [];
        foreach ($booked as $booking) {
            if (WeekCheck::monday($booking->on->number) === $monday) {
                $bySlot[$booking->slot][] = $booking;
            }
        }
        $out = [];
        foreach ($bySlot as $all) {
            usort($all, static fn(Booked $a, Booked $b): int => [$a->on->number, $a->id] <=> [$b->on->number, $b->id]);
            $open = array_values(array_filter($all, static fn(Booked $session): bool => !$session->fixed));
            $less = min((int) round((count($all) * $lessPercent) / 100), count($all) - 1, count($open));
            for ($i = 0; $i < $less; $i++) {
                $out[] = $open[(int) floor((($i + 0.5) * count($open)) / $less)];
            }
        }
        usort($out, static fn(Booked $a, Booked $b): int => [$a->on->number, $a->id] <=> [$b->on->number, $b->id]);

        return $out;
    }
}
