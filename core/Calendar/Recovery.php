<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/** A day on which springs or slow strength of a day before are still recovered from (docs/rules.md, "Weeks"). */
final readonly class Recovery
{
    private function __construct(
        public Day $on,
        public Booked $after,
        /** Hours that the rule asks for. */
        public int $hours,
    ) {}

    /**
     * @param list<Booked> $booked in any order
     * @param array<string, Slot> $slots by key
     *
     * @return list<self> in the order of their days; of several sessions the latest
     */
    public static function among(array $booked, WeekRules $rules, array $slots): array
    {
        $found = [];
        usort($booked, static fn(Booked $a, Booked $b): int => $a->on->number <=> $b->on->number);
        foreach ($booked as $session) {
            foreach ($rules->leastHours as $rule) {
                if (
                    $rule->after !== $session->slot ||
                    $rule->before !== $session->slot ||
                    !$slots[$session->slot]->mode->isHeavy()
                ) {
                    continue;
                }
                for ($day = 1; 24 * $day < $rule->hours; $day++) {
                    $found[$session->on->number + $day] = new self($session->on->plus($day), $session, $rule->hours);
                }
            }
        }
        ksort($found);

        return array_values($found);
    }
}
