<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/**
 * Re-plans the open future with the fewest rules broken, then the fewest sessions moved or left out, then the fewest days moved
 * (docs/rules.md, "Weeks"). Each knot of broken rules is undone with the two weeks around it.
 */
final class Replanner
{
    /** Days around a knot in which sessions may move. */
    private const AROUND = 8;

    /** Days between two broken rules that belong to one knot, and how long a knot may be. */
    private const NEAR = 4;

    private const LONGEST_KNOT = 10;

    private readonly WeekCheck $check;

    /** @param array<string, Slot> $slots by key */
    private function __construct(private readonly WeekRules $rules, private readonly array $slots)
    {
        $this->check = new WeekCheck($rules, $slots);
    }

    /**
     * @param list<Booked> $booked
     * @param array<string, Slot> $slots by key
     * @param Day $today sessions before it stay as they are, and none is moved before it
     */
    public static function replan(array $booked, WeekRules $rules, array $slots, Day $today): Replan
    {
        return (new self($rules, $slots))->plan($booked, $today->number);
    }

    /** @param list<Booked> $booked */
    private function plan(array $booked, int $today): Replan
    {
        $before = $after = $this->check->clashes($booked);
        [$now, $left, $proved, $tried] = [$booked, [], true, []];
        // One knot after the other: what lies more than a week from it stays as it is.
        while (($knot = self::firstKnot($after, $now, $today, $tried)) !== null) {
            [$from, $to] = $knot;
            $tried += array_fill_keys(range($from, $to), true);
            $movable = array_values(
                array_filter(
                    $now,
                    static fn(Booked $session): bool => self::isOpen($session, $today) &&
                        $session->on->number >= $from - self::AROUND &&
                        $session->on->number <= $to + self::AROUND,
                ),
            );
            // Rules reach beyond the days in which sessions may move: to the end of a week, and as far as hours go.
            $end = $to + self::AROUND;
            $search = new KnotSearch(
                $this->rules,
                $this->slots,
                $this->check,
                $now,
                $movable,
                max($today, $from - self::AROUND),
                max($end + $this->rules->reach(), WeekCheck::monday($end) + 6),
            );
            $best = $search->best();
            $proved = $proved && $best->isBest;
            [$now, $out] = self::placed($now, $movable, $best);
            $left = [...$left, ...$out];
            $after = $this->check->clashes($now);
        }
        $was = array_column(
            array_map(static fn(Booked $session): array => [$session->id, $session->on->number], $booked),
            1,
            0,
        );
        $moves = array_values(
            array_filter($now, static fn(Booked $session): bool => $was[$session->id] !== $session->on->number),
        );
        $gone = array_column(array_map(static fn(Booked $session): array => [$session->id, $session], $booked), 1, 0);

        return new Replan(
            $now,
            $moves,
            array_map(static fn(Booked $session): Booked => $gone[$session->id], $left),
            $before,
            $after,
            $proved,
        );
    }

    private static function isOpen(Booked $booked, int $today): bool
    {
        return !$booked->fixed && $booked->on->number >= $today;
    }

    /**
     * The first days on which rules are broken that a move may mend, those near each other together.
     *
     * @param list<Clash> $clashes in the order of their days
     * @param list<Booked> $booked
     * @param array<int, true> $tried days that were tried
     *
     * @return array{int, int}|null the first and the last day
     */
    private static function firstKnot(array $clashes, array $booked, int $today, array $tried): ?array
    {
        $open = array_fill_keys(
            array_map(
                static fn(Booked $session): string => $session->id,
                array_filter($booked, static fn(Booked $session): bool => self::isOpen($session, $today)),
            ),
            true,
        );
        $from = $to = null;
        foreach ($clashes as $clash) {
            $day = $clash->on->number;
            if ((!isset($open[$clash->session]) && !isset($open[$clash->other ?? ''])) || isset($tried[$day])) {
                continue;
            }
            if ($from !== null && $to !== null && ($day - $to > self::NEAR || $day - $from > self::LONGEST_KNOT)) {
                break;
            }
            $from ??= $day;
            $to = $day;
        }

        return $from === null || $to === null ? null : [$from, $to];
    }

    /**
     * The sessions on their new days: whatever can stays where it was, the others go in their order.
     *
     * @param list<Booked> $booked
     * @param list<Booked> $movable
     *
     * @return array{list<Booked>, list<Booked>} in the order in which they came: those that stand, and those that are left out
     */
    private static function placed(array $booked, array $movable, KnotDays $days): array
    {
        $stand = $left = [];
        foreach ($booked as $session) {
            if (!in_array($session, $movable, true)) {
                $stand[] = $session;
            } elseif ($days->isLeftOut($session)) {
                $left[] = $session;
            } else {
                $day = $days->dayOf($session);
                $stand[] = $day === null ? $session : $session->movedTo(Day::fromNumber($day));
            }
        }

        return [$stand, $left];
    }
}
