<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;

/** The one place where the application asks what time it is. */
final class Clock
{
    public static function now(string $zone): Moment
    {
        return Moment::fromDateTime(CarbonImmutable::now($zone)->startOfSecond());
    }

    /** Now, with the offset of another moment. */
    public static function nowWith(Moment $moment): Moment
    {
        return Moment::fromDateTime(
            CarbonImmutable::now()
                ->setTimezone($moment->toDateTime()->getTimezone())
                ->startOfSecond(),
        );
    }

    public static function today(string $zone): Day
    {
        return Zone::named($zone)->dayOf(self::now($zone));
    }

    /** As timestamps are stored: in UTC. */
    public static function utc(Moment $moment): CarbonImmutable
    {
        return CarbonImmutable::instance($moment->toDateTime())->utc();
    }
}
