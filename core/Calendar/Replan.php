<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

/** The weeks as they would be after a re-plan. Nothing is in force by it. */
final readonly class Replan
{
    /**
     * @param list<Booked> $booked all sessions, on their new days
     * @param list<Booked> $moves those that moved, on their new days
     * @param list<Booked> $leftOut those that found no day, as they stood
     * @param list<Clash> $before what was not kept
     * @param list<Clash> $after what cannot be kept
     */
    public function __construct(
        public array $booked,
        public array $moves,
        public array $leftOut,
        public array $before,
        public array $after,
        /** Whether no plan breaks fewer rules, moves fewer sessions or moves them less. */
        public bool $proved,
    ) {}
}
