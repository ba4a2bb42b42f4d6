<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/** Tells every rule that the weeks do not keep (docs/rules.md, "Weeks"). */
final readonly class WeekCheck
{
    /** @param array<string, Slot> $slots by key */
    public function __construct(private WeekRules $rules, private array $slots) {}

    /**
     * @param list<Booked> $booked in any order
     *
     * @return list<Clash> in the order of their days
     */
    public function clashes(array $booked): array
    {
        usort(
            $booked,
            static fn(Booked $a, Booked $b): int => [$a->on->number, $a->slot, $a->id] <=> [
                $b->on->number,
                $b->slot,
                $b->id,
            ],
        );
        $clashes = [];
        $byDay = $inWeek = [];
        foreach ($booked as $i => $session) {
            $clashes = [...$clashes, ...$this->alone($session), ...$this->tooSoon($booked, $i)];
            if ($this->slots[$session->slot]->beside === null) {
                $byDay[$session->on->number][$session->slot] ??= $session;
            }
            $monday = $session->on->number - $session->on->weekday() + 1;
            $inWeek["$monday $session->slot"][$session->on->number] ??= $session;
        }
        foreach ($byDay as $kinds) {
            foreach (array_slice(array_values($kinds), $this->rules->mostADay) as $kind) {
                $clashes[] = new Clash(
                    ClashKind::DayFull,
                    $kind->id,
                    $kind->on,
                    is: count($kinds),
                    allowed: $this->rules->mostADay,
                );
            }
        }
        foreach ($inWeek as $days) {
            $most = $this->rules->mostPerWeek[array_values($days)[0]->slot] ?? 7;
            foreach (array_slice(array_values($days), $most) as $day) {
                $clashes[] = new Clash(ClashKind::WeekFull, $day->id, $day->on, is: count($days), allowed: $most);
            }
        }
        usort($clashes, static fn(Clash $a, Clash $b): int => $a->on->number <=> $b->on->number);

        return $clashes;
    }

    /** @return list<Clash> of a session by itself */
    private function alone(Booked $booked): array
    {
        $day = $booked->on->number;

        return array_map(
            static fn(ClashKind $kind): Clash => new Clash($kind, $booked->id, $booked->on),
            $this->kindsOn($booked->slot, $day),
        );
    }

    /** @return list<ClashKind> what speaks against a slot on a day, whatever else stands there */
    public function kindsOn(string $slot, int $day): array
    {
        return array_values(
            array_filter([
                isset($this->rules->blocked[$day]) ? ClashKind::DayBlocked : null,
                $this->rules->isAvailable($day) ? null : ClashKind::DayNotAvailable,
                $this->slots[$slot]->mode->isSpringy() && $this->rules->isNearEvent($day) ? ClashKind::EventNear : null,
            ]),
        );
    }

    /**
     * @param list<Booked> $booked in order
     *
     * @return list<Clash>
     */
    private function tooSoon(array $booked, int $at): array
    {
        $clashes = [];
        for ($i = $at - 1; $i >= 0; $i--) {
            $days = $booked[$at]->on->daysSince($booked[$i]->on);
            if ($days > $this->rules->reach()) {
                break;
            }
            // On one day a slot may come several times; that is no clash of its own.
            if ($days === 0 && $booked[$i]->slot === $booked[$at]->slot) {
                continue;
            }
            foreach ($this->rules->leastHours as $rule) {
                $applies =
                    ($rule->after === $booked[$i]->slot && $rule->before === $booked[$at]->slot) ||
                    ($days === 0 && $rule->after === $booked[$at]->slot && $rule->before === $booked[$i]->slot);
                if ($applies && 24 * $days < $rule->hours) {
                    $clashes[] = new Clash(
                        ClashKind::TooSoon,
                        $booked[$at]->id,
                        $booked[$at]->on,
                        $booked[$i]->id,
                        24 * $days,
                        $rule->hours,
                    );
                    break;
                }
            }
        }

        return $clashes;
    }

    public static function monday(int $day): int
    {
        return $day - Day::fromNumber($day)->weekday() + 1;
    }
}
