<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

use Rung\Core\Number;

/** Whether two sides of a test can be the same person's (docs/rules.md, "Strength arithmetic"): a slip of a key is asked about. */
final class TestSense
{
    /** Times that one side may be the other. */
    public const MOST_TIMES = 20;

    /** What is wrong; null where nothing is. A side that could do nothing at all is no slip. */
    public static function fault(int|float $affected, int|float $unaffected): ?string
    {
        $less = min($affected, $unaffected);
        $more = max($affected, $unaffected);

        return $less > 0 && Number::over($more, self::MOST_TIMES * $less)
            ? 'must be within ' .
                    self::MOST_TIMES .
                    " times the other side's; check both numbers ($affected and $unaffected)"
            : null;
    }
}
