<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Time\Day;

/** When each stage has to begin so that the last is gone through by a day, and when it begins as things stand (docs/rules.md, "Ready by a day"). */
final readonly class Countdown
{
    /**
     * @param list<CountdownStage> $stages those after the present one
     * @param Day|null $soonest the earliest day on which the last stage can be finished; null where that is unknown
     * @param Day|null $latest by which a slower athlete has gone through it; null where that is after what was played
     */
    private function __construct(public Day $by, public array $stages, public ?Day $soonest, public ?Day $latest) {}

    /**
     * @param list<string> $stages keys, the present one first
     * @param Day $entered the first day of the present stage
     * @param Day|null $gate the first day on which its gate can be open; null where no day can be given
     * @param array<string, int> $steady days in each stage of an athlete with whom all goes well
     * @param array<string, int> $slow the same of a slower one
     */
    public static function build(
        array $stages,
        Day $entered,
        Day $today,
        ?Day $gate,
        array $steady,
        array $slow,
        Day $by,
    ): self {
        $present = $stages[0] ?? '';
        $soonest = self::later(self::later($today, $gate), self::after($entered, $steady[$present] ?? null));
        $latest = isset($slow[$present]) ? self::later($soonest, self::after($entered, $slow[$present])) : null;
        $found = [];
        foreach (array_slice($stages, 1) as $i => $stage) {
            // What is left from here on, at the pace of the steady one.
            $left = 0;
            foreach (array_slice($stages, $i + 1) as $between) {
                $left += $steady[$between] ?? 0;
            }
            $found[] = new CountdownStage($stage, $by->plus(-$left), $soonest, $latest);
            $soonest = $soonest->plus($steady[$stage] ?? 0);
            $latest =
                $latest === null || !isset($slow[$stage]) ? null : self::later($soonest, $latest->plus($slow[$stage]));
        }
        $isKnown = array_diff($stages, array_keys($steady)) === [];

        return new self($by, $found, $isKnown ? $soonest : null, $isKnown ? $latest : null);
    }

    /** Whether the day can be kept; null where that is unknown. */
    public function pace(): ?Pace
    {
        return $this->soonest === null ? null : Pace::judge($this->soonest, $this->latest, $this->by);
    }

    private static function later(Day $day, ?Day $other): Day
    {
        return $other !== null && $other->isAfter($day) ? $other : $day;
    }

    private static function after(Day $from, ?int $days): ?Day
    {
        return $days === null ? null : $from->plus($days);
    }
}
