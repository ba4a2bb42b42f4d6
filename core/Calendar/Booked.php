<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** A session that stands on a day. */
final readonly class Booked
{
    public function __construct(
        public string $id,
        public Day $on,
        public string $slot,
        /** Done already, or held where it is. */
        public bool $fixed = false,
    ) {}

    /** @param array<string, Slot> $slots */
    public static function read(ObjectNode $node, array $slots): self
    {
        $slot = $node->key('slot');
        if ($slot !== '' && !isset($slots[$slot])) {
            $node->fault('slot', 'must name a slot of the request');
        }

        return new self($node->key('id'), $node->day('on'), $slot, $node->flagOrNull('fixed') ?? false);
    }

    public function movedTo(Day $day): self
    {
        return new self($this->id, $day, $this->slot, $this->fixed);
    }
}
