<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

/** Which rule of the weeks is not kept. */
enum ClashKind: string
{
    case DayBlocked = 'day_blocked';
    case DayNotAvailable = 'day_not_available';
    /** Springs on the day of an event, the day before or the day after. */
    case EventNear = 'event_near';
    case TooSoon = 'too_soon';
    case WeekFull = 'week_full';
    case DayFull = 'day_full';
}
