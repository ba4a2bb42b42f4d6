<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Calendar\Weekday;
use Rung\Core\Time\Day;

/** The frame of a simulated history: who, since when, and what happens at its end. */
final readonly class Story
{
    /**
     * @param list<Weekday> $available
     * @param list<Day> $events
     */
    public function __construct(
        public Temper $temper,
        /** Days from the opening of the case to today. */
        public int $days,
        /** The stage in which the case begins. */
        public string $stage,
        public array $available,
        public array $events = [],
        /** Days before today on which the athlete falls silent; null: never. */
        public ?int $silentSince = null,
        public StoryEnd $end = StoryEnd::AsItComes,
        /** Whether this morning is still to be answered. */
        public bool $morningOpen = false,
    ) {}

    /** @param list<Day> $events */
    public function withEvents(array $events): self
    {
        return new self(
            $this->temper,
            $this->days,
            $this->stage,
            $this->available,
            $events,
            $this->silentSince,
            $this->end,
            $this->morningOpen,
        );
    }
}
