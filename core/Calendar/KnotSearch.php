<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use SplPriorityQueue;

/**
 * Searches for the days of the sessions around one knot of broken rules (docs/rules.md, "Weeks"). Sessions of one slot are
 * alike, so a plan is a set of days for each slot: the search goes from day to day and knows how many of each slot it owes
 * or has taken in advance. It finds the best there is; where it grows too large, one that goes on with the best few of each
 * day gives a good one.
 *
 * @phpstan-type State array{cost: int, day: int, owed: array<int, int>, masks: array<int, int>, weeks: array<int, int>, uneven: array<int, int>, from: int, kinds: int, out: int}
 */
final class KnotSearch
{
    /** Days within which the sessions of a slot are even again: nothing is put off or taken in advance for longer. */
    private const TAIL = 7;

    /** Sessions of a slot that may be owed, and that may be taken in advance. */
    private const MOST_OWED = 3;

    private const MOST_AHEAD = 2;

    private const WIDTH = 24;

    /** States of the full search after which the plan of the narrow one stands. */
    private const MOST_STATES = 9_000;

    private const CLASH = 1_000_000;

    private const MOVE = 1_000;

    /** What finds no day is left out rather than that all others move: worth as much as so many moves. */
    private const LEFT_OUT = 4 * self::MOVE;

    /** @var list<string> */
    private array $keys;

    /** @var list<array<int, true>> days of sessions that may be moved, by slot */
    private array $open;

    /** @var list<array<int, true>> days of sessions that stay, by slot */
    private array $fixed;

    /** @var array<int, list<array{int, int, int}>> what may stand on a day, by its number */
    private array $choices = [];

    /** @var list<list<int>> least days after a session of a slot, by slot and slot before it */
    private array $leastDays = [];

    /** @var list<State> */
    private array $states = [];

    /**
     * @param array<string, Slot> $slots by key
     * @param list<Booked> $booked all sessions
     * @param list<Booked> $movable those of them that may be moved
     * @param int $first number of the first day that may change
     * @param int $last number of the last day that a change may touch
     */
    public function __construct(
        private readonly WeekRules $rules,
        private readonly array $slots,
        private readonly WeekCheck $check,
        array $booked,
        array $movable,
        private readonly int $first,
        private readonly int $last,
    ) {
        $this->keys = array_keys($slots);
        $slotOf = array_flip($this->keys);
        $this->open = $this->fixed = array_fill(0, count($this->keys), []);
        foreach ($booked as $session) {
            $at = $slotOf[$session->slot];
            if (in_array($session, $movable, true)) {
                $this->open[$at][$session->on->number] = true;
            } else {
                $this->fixed[$at][$session->on->number] = true;
            }
        }
        foreach ($this->keys as $later) {
            $row = [];
            foreach ($this->keys as $earlier) {
                $row[] = max([
                    -1,
                    ...array_map(
                        static fn(LeastHours $rule): int => $rule->after === $earlier && $rule->before === $later
                            ? $rule->days()
                            : -1,
                        $this->rules->leastHours,
                    ),
                ]);
            }
            $this->leastDays[] = $row;
        }
        for ($day = $this->first; $day <= $this->last; $day++) {
            $this->choices[$day] = $this->choicesOn($day);
        }
    }

    /** The best days for the sessions that may be moved; where the rules allow none, nothing moves. */
    public function best(): KnotDays
    {
        [$last, $isBest] = $this->search();

        return $last === null ? new KnotDays([], [], $isBest) : $this->daysOf($last, $isBest);
    }

    /** @return array{int|null, bool} the last state of the best plan, and whether there is no better */
    private function search(): array
    {
        $start = $this->start();
        $queue = new SplPriorityQueue();
        $queue->insert($start, 0);
        $known = [];
        while (!$queue->isEmpty()) {
            /** @var int $at */
            $at = $queue->extract();
            if ($this->states[$at]['day'] > $this->last) {
                return [$at, true];
            }
            foreach ($this->next($at) as $next) {
                $key = self::keyOf($next);
                if (($known[$key] ?? PHP_INT_MAX) <= $next['cost']) {
                    continue;
                }
                if (count($this->states) > self::MOST_STATES) {
                    return [$this->narrow($start), false];
                }
                $known[$key] = $next['cost'];
                $this->states[] = $next;
                // Of equally good ones what has come farther goes first.
                $queue->insert(count($this->states) - 1, $next['day'] - 100_000 * $next['cost']);
            }
        }

        return [null, true];
    }

    /** A plan that goes on with the best few of each day. */
    private function narrow(int $start): ?int
    {
        $layer = [$start];
        for ($day = $this->first; $day <= $this->last; $day++) {
            $best = [];
            foreach ($layer as $at) {
                foreach ($this->next($at) as $next) {
                    $key = self::keyOf($next);
                    if (!isset($best[$key]) || $next['cost'] < $best[$key]['cost']) {
                        $best[$key] = $next;
                    }
                }
            }
            usort($best, static fn(array $a, array $b): int => $a['cost'] <=> $b['cost']);
            $layer = [];
            // One that owes nothing is always among them: from there every day can be gone on from.
            $even = array_values(array_filter($best, static fn(array $row): bool => array_filter($row['owed']) === []));
            foreach ([...array_slice($best, 0, self::WIDTH), ...array_slice($even, 0, 1)] as $next) {
                $this->states[] = $next;
                $layer[] = count($this->states) - 1;
            }
        }

        return $layer[0] ?? null;
    }

    private function start(): int
    {
        $masks = [];
        foreach (array_keys($this->keys) as $slot) {
            $mask = 0;
            for ($back = 1; $back <= $this->rules->reach(); $back++) {
                $mask |= isset($this->fixed[$slot][$this->first - $back]) ? 1 << ($back - 1) : 0;
            }
            $masks[] = $mask;
        }
        $weeks = array_map(
            fn(int $slot): int => count(
                array_filter(
                    range(WeekCheck::monday($this->first), $this->first),
                    fn(int $day): bool => $day < $this->first && isset($this->fixed[$slot][$day]),
                ),
            ),
            array_keys($this->keys),
        );
        $this->states[] = [
            'cost' => 0,
            'day' => $this->first,
            'owed' => array_fill(0, count($this->keys), 0),
            'masks' => $masks,
            'weeks' => $weeks,
            'uneven' => array_fill(0, count($this->keys), 0),
            'from' => -1,
            'kinds' => 0,
            'out' => 0,
        ];

        return count($this->states) - 1;
    }

    /** @param State $state */
    private static function keyOf(array $state): string
    {
        return $state['day'] .
            '|' .
            implode(',', $state['owed']) .
            '|' .
            implode(',', $state['masks']) .
            '|' .
            implode(',', $state['weeks']) .
            '|' .
            implode(',', $state['uneven']);
    }

    /**
     * What may stand on the day of a state.
     *
     * @return list<State>
     */
    private function next(int $at): array
    {
        $state = $this->states[$at];
        $isMonday = WeekCheck::monday($state['day']) === $state['day'];
        $found = [];
        foreach ($this->choices[$state['day']] as [$kinds, $out, $clashes]) {
            $next = $this->onDay($state, $kinds, $out, $isMonday);
            if ($next !== null) {
                $next['from'] = $at;
                $next['cost'] += self::CLASH * $clashes;
                $found[] = $next;
            }
        }

        return $found;
    }

    /**
     * What may stand on a day at all, looked at by itself. Where a rule would be broken by a session that may be moved it
     * is better to leave that session out, so such choices are none.
     *
     * @return list<array{int, int, int}> a bit for each slot that has a session, a bit for each whose session is left out, and the rules that are broken by what stays
     */
    private function choicesOn(int $day): array
    {
        [$open, $fixed] = [self::bitsOn($this->open, $day), self::bitsOn($this->fixed, $day)];
        $found = [];
        for ($kinds = 0, $all = 1 << count($this->keys); $kinds < $all; $kinds++) {
            $clashes = $this->clashesTogether($day, $kinds);
            // What stays is there; what is open on the same day goes with it.
            if (($fixed & ~$kinds) !== 0 || ($kinds !== $fixed && $clashes > 0)) {
                continue;
            }
            // What is open and not there is put off, or left out.
            $away = $open & ~$kinds;
            for ($out = $away; ; $out = ($out - 1) & $away) {
                $found[] = [$kinds, $out, $clashes];
                if ($out === 0) {
                    break;
                }
            }
        }

        return $found;
    }

    /** @param list<array<int, true>> $days by slot */
    private static function bitsOn(array $days, int $day): int
    {
        $bits = 0;
        foreach ($days as $slot => $on) {
            $bits |= isset($on[$day]) ? 1 << $slot : 0;
        }

        return $bits;
    }

    private function clashesTogether(int $day, int $kinds): int
    {
        $on = array_values(
            array_filter(array_keys($this->keys), static fn(int $slot): bool => (($kinds >> $slot) & 1) === 1),
        );
        $main = array_filter($on, fn(int $slot): bool => $this->slots[$this->keys[$slot]]->beside === null);
        $clashes = max(0, count($main) - $this->rules->mostADay);
        foreach ($on as $i => $slot) {
            $clashes += count($this->check->kindsOn($this->keys[$slot], $day));
            foreach (array_slice($on, 0, $i) as $earlier) {
                $clashes += max($this->leastDays[$slot][$earlier], $this->leastDays[$earlier][$slot]) >= 0 ? 1 : 0;
            }
        }

        return $clashes;
    }

    /**
     * @param State $state
     * @param int $kinds a bit for each slot that has a session on the day
     * @param int $out a bit for each slot whose session of the day is left out
     *
     * @return State|null null where it cannot be
     */
    private function onDay(array $state, int $kinds, int $out, bool $isMonday): ?array
    {
        ['day' => $day, 'cost' => $cost, 'owed' => $owed, 'uneven' => $uneven, 'masks' => $masks] = $state;
        $weeks = $isMonday ? array_fill(0, count($owed), 0) : $state['weeks'];
        $keep = (1 << $this->rules->reach()) - 1;
        foreach ($owed as $slot => $balance) {
            $isOn = (($kinds >> $slot) & 1) === 1;
            $isOpen = isset($this->open[$slot][$day]);
            $isFixed = isset($this->fixed[$slot][$day]);
            if ((($out >> $slot) & 1) === 1) {
                $cost += self::LEFT_OUT;
            } elseif (!$isFixed && $isOn !== $isOpen) {
                $balance += $isOpen ? 1 : -1;
                $cost += $isOpen ? self::MOVE : 0;
                if (
                    $balance > self::MOST_OWED ||
                    $balance < -self::MOST_AHEAD ||
                    ($balance < 0 && !$this->comes($slot, $day))
                ) {
                    return null;
                }
                $owed[$slot] = $balance;
            }
            $cost += abs($balance);
            $uneven[$slot] = $balance === 0 ? 0 : $uneven[$slot] + 1;
            if ($uneven[$slot] > self::TAIL || ($balance !== 0 && $day === $this->last)) {
                return null;
            }
            if ($isOn) {
                $limit = $this->rules->mostPerWeek[$this->keys[$slot]] ?? null;
                $weeks[$slot] = $limit === null ? 0 : $weeks[$slot] + 1;
                $clashes = $limit !== null && $weeks[$slot] > $limit ? 1 : 0;
                foreach ($this->leastDays[$slot] as $earlier => $least) {
                    $clashes += $least < 1 ? 0 : self::ones($state['masks'][$earlier] & ((1 << $least) - 1));
                }
                if ($clashes > 0 && !$isFixed) {
                    return null;
                }
                $cost += self::CLASH * $clashes;
            }
            $masks[$slot] = (($masks[$slot] << 1) | ($isOn ? 1 : 0)) & $keep;
        }

        return [
            'cost' => $cost,
            'day' => $day + 1,
            'owed' => $owed,
            'masks' => $masks,
            'weeks' => $weeks,
            'uneven' => $uneven,
            'from' => -1,
            'kinds' => $kinds,
            'out' => $out,
        ];
    }

    private static function ones(int $bits): int
    {
        return ($bits & 1) + (($bits >> 1) & 1) + (($bits >> 2) & 1) + (($bits >> 3) & 1);
    }

    /** Whether a session of a slot comes soon enough to be taken in advance. */
    private function comes(int $slot, int $day): bool
    {
        for ($ahead = 1; $ahead <= self::TAIL; $ahead++) {
            if (isset($this->open[$slot][$day + $ahead])) {
                return true;
            }
        }

        return false;
    }

    /** What the states that lead to the last one put on each day. */
    private function daysOf(int $last, bool $isBest): KnotDays
    {
        $days = $out = array_fill(0, count($this->keys), []);
        for ($at = $last; $this->states[$at]['from'] >= 0; $at = $this->states[$at]['from']) {
            foreach (array_keys($this->keys) as $slot) {
                if ((($this->states[$at]['kinds'] >> $slot) & 1) === 1) {
                    $days[$slot][] = $this->states[$at]['day'] - 1;
                }
                if ((($this->states[$at]['out'] >> $slot) & 1) === 1) {
                    $out[$slot][] = $this->states[$at]['day'] - 1;
                }
            }
        }
        $moves = $leftOut = [];
        foreach ($this->keys as $slot => $key) {
            $new = array_values(
                array_diff($days[$slot], array_keys($this->open[$slot]), array_keys($this->fixed[$slot])),
            );
            $gone = array_values(array_diff(array_keys($this->open[$slot]), $days[$slot], $out[$slot]));
            sort($new);
            sort($gone);
            $moves[$key] = array_combine($gone, $new);
            $leftOut[$key] = array_fill_keys($out[$slot], true);
        }

        return new KnotDays($moves, $leftOut, $isBest);
    }
}
