<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Calendar\LeastHours;
use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Calendar\WeekRules;
use Rung\Core\Time\Day;

/** The rules that a stage's weeks have to keep (docs/rules.md, "Weeks"). */
final class PlanWeeks
{
    /** Hours between springs, and between two sessions of slow strength, where a cycle keeps them apart. */
    private const RECOVERY_HOURS = 48;

    /**
     * @param list<Weekday> $available
     * @param list<Day> $blocked
     * @param list<Day> $events
     */
    public static function rules(PlanStage $stage, array $available, array $blocked, array $events): WeekRules
    {
        $rhythm = $stage->rhythm;
        $first = $stage->inTurn()[0]->key ?? '';
        $hours = $rhythm->cycle === null ? self::spaced($first, $rhythm) : self::recovering($stage, $rhythm->cycle);
        $mostPerWeek = $rhythm->per_week === null ? [] : [$first => $rhythm->per_week];
        foreach ($stage->slots as $slot) {
            if ($slot->beside !== null) {
                array_push($hours, ...self::spaced($slot->key, $slot->beside));
                $mostPerWeek += $slot->beside->per_week === null ? [] : [$slot->key => $slot->beside->per_week];
            }
        }

        return new WeekRules(
            $available,
            array_fill_keys(array_column($blocked, 'number'), true),
            array_fill_keys(array_column($events, 'number'), true),
            $hours,
            $mostPerWeek,
        );
    }

    /** @return list<LeastHours> as far apart as the rhythm places them */
    private static function spaced(string $slot, Rhythm $rhythm): array
    {
        $days = $rhythm->every_days ?? ($rhythm->min_gap_days ?? 1);

        return $days < 2 ? [] : [new LeastHours($slot, $slot, min(WeekRules::LONGEST_HOURS, 24 * $days))];
    }

    /**
     * @param list<string> $cycle keys of slots
     *
     * @return list<LeastHours> of springs and slow strength, unless the cycle itself has them on days running
     */
    private static function recovering(PlanStage $stage, array $cycle): array
    {
        $rules = [];
        foreach ($stage->slots as $slot) {
            $runs = array_filter(
                array_keys($cycle),
                static fn(int $at): bool => $cycle[$at] === $slot->key &&
                    $cycle[($at + 1) % count($cycle)] === $slot->key,
            );
            if ($slot->mode->isHeavy() && $runs === [] && in_array($slot->key, $cycle, true)) {
                $rules[] = new LeastHours($slot->key, $slot->key, self::RECOVERY_HOURS);
            }
        }

        return $rules;
    }
}
