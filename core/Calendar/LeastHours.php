<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

/** The least hours from a session of one slot to the next of another or the same; by days alone a day is 24 hours. */
final readonly class LeastHours
{
    public function __construct(public string $after, public string $before, public int $hours) {}

    /** Whole days between the two that are too few, counted back from the later one. */
    public function days(): int
    {
        return (int) ceil($this->hours / 24) - 1;
    }
}
