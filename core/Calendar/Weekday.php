<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

/** A day of the week that an athlete has. */
enum Weekday: string
{
    case Monday = 'mon';
    case Tuesday = 'tue';
    case Wednesday = 'wed';
    case Thursday = 'thu';
    case Friday = 'fri';
    case Saturday = 'sat';
    case Sunday = 'sun';

    /** 1 for Monday … 7 for Sunday. */
    public function number(): int
    {
        return array_search($this, self::cases(), true) + 1;
    }
}
