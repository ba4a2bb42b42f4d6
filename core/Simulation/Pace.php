<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Time\Day;

/** Whether there is time enough until a day. */
enum Pace: string
{
    /** Even a slower athlete is there by then. */
    case Enough = 'enough';
    /** Where all goes well. */
    case Tight = 'tight';
    /** Not even then. */
    case TooLate = 'too_late';

    public static function judge(Day $soonest, ?Day $latest, Day $by): self
    {
        return match (true) {
            $soonest->isAfter($by) => self::TooLate,
            $latest === null || $latest->isAfter($by) => self::Tight,
            default => self::Enough,
        };
    }
}
