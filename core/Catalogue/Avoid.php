<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Dose\Dose;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Exercise\Position;
use Rung\Core\Input\ObjectNode;

/** A position that a structure does not bear while it is irritable. */
final readonly class Avoid
{
    private function __construct(
        public Position $position,
        public string $words,
        /** Degrees from which the position begins; null: the whole exercise is in it. */
        public int|float|null $over_deg,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choice('position', Position::class),
            $node->text('words'),
            $node->numberOrNull('over_deg', 0, 360),
        );
    }

    /** Whether an exercise, done over the range of a dose, goes into the position. */
    public function concerns(Exercise $exercise, Dose $dose): bool
    {
        return in_array($this->position, $exercise->positions, true) &&
            ($this->over_deg === null || $dose->range === null || $dose->range->to_deg > $this->over_deg);
    }
}
