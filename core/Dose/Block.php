<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** Sets and repetitions that a programme fixes from a week of the stage on (1 is the first). */
final readonly class Block
{
    public function __construct(public int $from_week, public int $sets, public int $reps) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->whole('from_week', 1),
            $node->whole('sets', 1, Dose::MAX_SETS),
            $node->whole('reps', 1, Dose::MAX_REPS),
        );
    }

    /** @return array{from_week: int, sets: int, reps: int} */
    public function toArray(): array
    {
        return ['from_week' => $this->from_week, 'sets' => $this->sets, 'reps' => $this->reps];
    }
}
