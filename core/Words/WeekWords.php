<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\Clash;
use Rung\Core\Calendar\ClashKind;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\Recovery;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\WeekRules;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Says what breaks where sessions stand as they do (docs/rules.md, "Weeks"). */
final readonly class WeekWords
{
    /** More days than this are given by their first and last. */
    private const MOST_LISTED = 9;

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
            ClashKind::TooSoon => $clash->is === 0
                ? "$what, on the same day as $other."
                : "$what, $clash->is h after $other: your rule asks for $clash->allowed.",
            ClashKind::WeekFull => "$what: $clash->is in this week, where the plan asks for $clash->allowed.",
            ClashKind::DayFull => "$what: $clash->is kinds of session on one day.",
        };
    }

    /** The same in words for an athlete who is looking for another day. */
    public function ownClash(Clash $clash): string
    {
        $other = $clash->other === null ? '' : $this->session($clash->other);

        return match ($clash->kind) {
            ClashKind::DayBlocked => 'It is a day without training.',
            ClashKind::DayNotAvailable => 'It is not one of your training days.',
            ClashKind::EventNear => $this->session($clash->session) . ' would come ' . $this->event($clash->on) . '.',
            ClashKind::TooSoon => $this->session($clash->session) .
                ($clash->is === 0
                    ? " would be on the same day as $other."
                    : " would come only $clash->is h after $other."),
            ClashKind::WeekFull => "That week would have $clash->is of them instead of $clash->allowed.",
            ClashKind::DayFull => 'Something else is planned on that day.',
        };
    }

    /** "Slow strength from Thu 30 Apr to Fri 1 May"; "Slow strength on Thu 30 Apr is left out". */
    public function move(Booked $from, ?Day $to): string
    {
        return $to === null
            ? $this->slots[$from->slot]->name() . ' on ' . TimeWords::day($from->on) . ' is left out'
            : $this->slots[$from->slot]->name() . ' from ' . TimeWords::day($from->on) . ' to ' . TimeWords::day($to);
    }

    /** "Slow strength on Fri 1 May" */
    public function again(string $slot, Day $on): string
    {
        return $this->slots[$slot]->name() . ' on ' . TimeWords::day($on);
    }

    /** "still recovering from Slow strength on Thu 30 Apr: 48 h" */
    public function recovery(Recovery $recovery): string
    {
        return 'recovering from ' . $this->session($recovery->after->id) . ": $recovery->hours h";
    }

    /**
     * What is another of the days that are marked: "shows on Sat 5 Dec and Sat 12 Dec; no show any more on Sat 19 Dec".
     *
     * @param list<Day> $before
     * @param list<Day> $after
     */
    public static function days(bool $isEvents, array $before, array $after): string
    {
        $numbers = static fn(array $days): array => array_column($days, 'number');
        $new = array_values(
            array_filter($after, static fn(Day $day): bool => !in_array($day->number, $numbers($before), true)),
        );
        $gone = array_values(
            array_filter($before, static fn(Day $day): bool => !in_array($day->number, $numbers($after), true)),
        );
        [$come, $go] = $isEvents ? ['show on', 'no show any more on'] : ['no training on', 'training again on'];

        return implode('; ', [
            ...$new === [] ? [] : ["$come " . self::listed($new)],
            ...$gone === [] ? [] : ["$go " . self::listed($gone)],
        ]);
    }

    /**
     * What is another of the sport that is expected: "Rehearsal, 90 min at an effort of 6, on Sat 5 Dec; no longer: …".
     *
     * @param list<ExpectedSport> $before in order of their days
     * @param list<ExpectedSport> $after likewise
     */
    public static function sport(array $before, array $after): string
    {
        $onlyIn = static fn(array $these, array $others): array => self::byName(
            array_values(
                array_filter(
                    $these,
                    static fn(mixed $value): bool => $value instanceof ExpectedSport && !in_array($value, $others),
                ),
            ),
        );

        return implode('; ', [
            ...$onlyIn($after, $before),
            ...array_map(static fn(string $words): string => "no longer: $words", $onlyIn($before, $after)),
        ]);
    }

    /**
     * @param list<ExpectedSport> $sport
     *
     * @return list<string> what is the same on several days is given once
     */
    private static function byName(array $sport): array
    {
        $days = [];
        foreach ($sport as $session) {
            $days[$session->words()][] = $session->on;
        }

        return array_map(
            static fn(string $words, array $on): string => "$words, on " . self::listed($on),
            array_keys($days),
            array_values($days),
        );
    }

    /** @param non-empty-list<Day> $days in order */
    private static function listed(array $days): string
    {
        $words = array_map(TimeWords::day(...), $days);
        $last = array_pop($words);

        return match (true) {
            count($words) > self::MOST_LISTED => count($days) . " days from $words[0] to $last",
            $words === [] => $last,
            default => implode(', ', $words) . " and $last",
        };
    }

    private function event(Day $on): string
    {
        foreach (
            [
                1 => 'the evening before the event on ',
                0 => 'the day of the event, ',
                -1 => 'the day after the event on ',
            ]
            as $ahead => $words
        ) {
            if (isset($this->rules->events[$on->number + $ahead])) {
                return $words . TimeWords::day($on->plus($ahead));
            }
        }

        return 'near an event';
    }

    private function session(string $id): string
    {
        foreach ($this->booked as $session) {
            if ($session->id === $id) {
                return $this->slots[$session->slot]->name() . ' on ' . TimeWords::day($session->on);
            }
        }

        return 'A session';
    }
}
