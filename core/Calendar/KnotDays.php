<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

/** Where the sessions around a knot of broken rules go (docs/rules.md, "Weeks"). */
final readonly class KnotDays
{
    /**
     * @param array<string, array<int, int>> $moves the new day of each day that changes, by slot; numbers of days
     * @param array<string, array<int, true>> $leftOut days whose session is left out, by slot
     * @param bool $isBest whether there is no better
     */
    public function __construct(private array $moves, private array $leftOut, public bool $isBest) {}

    public function isLeftOut(Booked $session): bool
    {
        return isset($this->leftOut[$session->slot][$session->on->number]);
    }

    /** The number of its new day; null where it stays. */
    public function dayOf(Booked $session): ?int
    {
        return $this->moves[$session->slot][$session->on->number] ?? null;
    }
}
