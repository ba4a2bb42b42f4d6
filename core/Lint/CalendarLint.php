<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\Slot;
use Rung\Core\Catalogue\LintKey;
use Rung\Core\Dose\Prescription;
use Rung\Core\Time\TimeWords;

/** What can be said of the days on which a stage is done. */
final class CalendarLint extends Notes
{
    /** A strength exercise is heavy from this repetition maximum down, or from this effort or percentage up. */
    private const HEAVY_RM = 8;

    private const HEAVY_EFFORT = 8;

    private const HEAVY_PERCENT = 80;

    private const WEEK = 7;

    protected function look(): void
    {
        $springs = $this->daysOf(static fn(Slot $slot): bool => $slot->mode->isSpringy());
        $heavy = $this->daysOf(fn(Slot $slot): bool => $this->isHeavy($slot));
        $this->closeness('Springs', $springs);
        $this->closeness('Heavy days', $heavy);
        foreach ($this->subject->events as $event) {
            foreach ($springs as $day) {
                if (abs($day - $event->number) <= 1) {
                    $this->say(
                        LintKey::SpringsNearEvent,
                        'Springs within a day of the event on ' . TimeWords::day($event) . '.',
                    );
                }
            }
        }
        $twice = $this->daysOf(static fn(Slot $slot): bool => $slot->times_per_day > 1);
        if (self::longestRun($twice) >= self::WEEK) {
            $this->say(LintKey::NoRestDay, 'More than once a day, every day of the week.');
        }
    }

    /** @param list<int> $days */
    private function closeness(string $what, array $days): void
    {
        $least = (int) $this->limit(LintKey::TooClose, 'days');
        $gaps = array_map(static fn(int $a, int $b): int => $b - $a, array_slice($days, 0, -1), array_slice($days, 1));
        if ($gaps !== [] && min($gaps) < $least) {
            $this->say(LintKey::TooClose, "$what on days next to each other.");
        }
    }

    /**
     * @param callable(Slot): bool $wanted
     *
     * @return list<int> numbers of the days on which such a slot is placed, in order
     */
    private function daysOf(callable $wanted): array
    {
        $keys = array_column(array_filter($this->subject->stage->slots, $wanted), 'key');
        $days = array_unique(
            array_map(
                static fn(Placed $placed): int => $placed->on->number,
                array_filter(
                    $this->subject->calendar,
                    static fn(Placed $placed): bool => in_array($placed->slot, $keys, true),
                ),
            ),
        );
        sort($days);

        return $days;
    }

    private function isHeavy(Slot $slot): bool
    {
        return array_filter(
            $this->subject->stage->stage->prescriptions,
            static fn(Prescription $p): bool => $p->slot === $slot->key &&
                $p->mode->isMoving() &&
                (($p->dose->rm ?? PHP_INT_MAX) <= self::HEAVY_RM ||
                    ($p->dose->effort ?? 0) >= self::HEAVY_EFFORT ||
                    ($p->dose->percent_mvc ?? 0) >= self::HEAVY_PERCENT),
        ) !== [];
    }

    /** @param list<int> $days */
    private static function longestRun(array $days): int
    {
        $longest = $run = 0;
        $last = null;
        foreach ($days as $day) {
            $run = $last !== null && $day === $last + 1 ? $run + 1 : 1;
            $longest = max($longest, $run);
            $last = $day;
        }

        return $longest;
    }
}
