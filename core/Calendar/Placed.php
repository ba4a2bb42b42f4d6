<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/** A session on a date; of several a day, which one it is (1 is the first). */
final readonly class Placed
{
    public function __construct(public Day $on, public string $slot, public int $number) {}

    /** @return array{on: string, slot: string, number: int} */
    public function toArray(): array
    {
        return ['on' => $this->on->toIso(), 'slot' => $this->slot, 'number' => $this->number];
    }
}
