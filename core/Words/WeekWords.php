<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\Clash;
use Rung\Core\Calendar\ClashKind;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\WeekRules;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Says what breaks where sessions stand as they do (docs/rules.md, "Weeks"). */
final readonly class WeekWords
{
    /**
     * @param array<string, Slot> $slots by key
     * @param list<Booked> $booked all that the clashes may name
     */
    public function __construct(private array $slots, private array $booked, private WeekRules $rules) {}

    public function clash(Clash $clash): string
    {
        $what = $this->session($clash->session);
        $other = $clash->other === null ? '' : $this->session($clash->other);

        return match ($clash->kind) {
            ClashKind::DayBlocked => "$what: the day is blocked.",
            ClashKind::DayNotAvailable => "$what: the athlete does not have this day.",
            ClashKind::EventNear => "$what: " . $this->event($clash->on) . '.',
            ClashKind::TooSoon => $clash->is === 0 ? "$what, on the same day as $other." : "$what, $clash->is h after $other: your rule asks for $clash->allowed.",
            ClashKind::WeekFull => "$what: $clash->is in this week, where the plan asks for $clash->allowed.",
            ClashKind::DayFull => "$what: $clash->is kinds of session on one day.",
        };
    }

    /** "Slow strength from Thu 30 Apr to Fri 1 May." */
    public function move(Booked $from, Day $to): string
    {
        return $this->slots[$from->slot]->name() . ' from ' . TimeWords::day($from->on) . ' to ' . TimeWords::day($to);
    }

    private function event(Day $on): string
    {
        foreach ([1 => 'the evening before the event on ', 0 => 'the day of the event, ', -1 => 'the day after the event on '] as $ahead => $words) {
            if (isset($this->rules->events[$on->number + $ahead])) {
                return $words . TimeWords::day($on->plus($ahead));
            }
        }

        return 'near an event';
    }

    private function session(string $id): string
    {
        foreach ($this->booked as $one) {
            if ($one->id === $id) {
                return $this->slots[$one->slot]->name() . ' on ' . TimeWords::day($one->on);
            }
        }

        return 'A session';
    }
}
