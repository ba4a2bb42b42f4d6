<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/** A day on which a session may stand instead, and what it would break there (docs/rules.md, "Weeks"). */
final readonly class DayChoice
{
    /** Days before and after the one on which it stands. */
    private const REACH = 7;

    /** @param list<Clash> $breaks that are not there now */
    private function __construct(public Day $on, public array $breaks) {}

    /** Whether nothing speaks against it. */
    public function isFree(): bool
    {
        return $this->breaks === [];
    }

    /**
     * Days on which a session of the same slot stands already are none.
     *
     * @param list<Booked> $booked all sessions, the one that goes elsewhere among them
     * @param Day $first the first day that is offered
     * @param Day $last the last one
     *
     * @return list<self> in the order of their days
     */
    public static function forSession(Booked $session, array $booked, WeekCheck $check, Day $first, Day $last): array
    {
        $now = array_map(static fn(Clash $clash): string => $clash->key(), $check->clashes($booked));
        $taken = [];
        foreach ($booked as $booking) {
            if ($booking->slot === $session->slot) {
                $taken[$booking->on->number] = true;
            }
        }
        $found = [];
        for (
            $day = max($first->number, $session->on->number - self::REACH);
            $day <= min($last->number, $session->on->number + self::REACH);
            $day++
        ) {
            if (!isset($taken[$day])) {
                $then = array_map(
                    static fn(Booked $other): Booked => $other->id === $session->id
                        ? $other->movedTo(Day::fromNumber($day))
                        : $other,
                    $booked,
                );
                $found[] = new self(
                    Day::fromNumber($day),
                    array_values(
                        array_filter(
                            $check->clashes($then),
                            static fn(Clash $clash): bool => !in_array($clash->key(), $now, true),
                        ),
                    ),
                );
            }
        }

        return $found;
    }
}
