<?php

declare(strict_types=1);

namespace Rung\Core\Screening;

use Rung\Core\Time\Day;

/** Whether an athlete still grows, so that the growth zone beside the tendon is looked at (docs/rules.md, "Screening"). */
final class Growth
{
    /** Whole years; from this age on the growth zones are taken as closed. */
    public const UNTIL_YEARS = 18;

    /** The referral sign that asks for a growing joint. */
    public const SIGN = 'growing';

    /** Whole years from the day of birth; somebody born on 29 February has their birthday on 1 March of other years. */
    public static function ageOn(Day $born, Day $on): int
    {
        $years = (int) substr($on->toIso(), 0, 4) - (int) substr($born->toIso(), 0, 4);

        return substr($on->toIso(), 5) < substr($born->toIso(), 5) ? $years - 1 : $years;
    }

    /** Where the day of birth is not known nothing is asked: the sign itself is on the list for everybody. */
    public static function isGrowing(?Day $born, Day $on): bool
    {
        return $born !== null && self::ageOn($born, $on) < self::UNTIL_YEARS;
    }
}
