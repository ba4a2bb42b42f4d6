<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Response\Creep;

/**
 * Mean provocation scores of the last weeks, each 0–10 or null where there is none (docs/rules.md, "The 24-hour response").
 */
final readonly class WeeklyMeans
{
    private function __construct(
        /** Of the last 7 days. */
        public int|float|null $thisWeek,
        /** Of the 7 days before. */
        public int|float|null $lastWeek,
        /** Of the best of the four weeks before this one. */
        public int|float|null $lowest,
    ) {}

    public static function fromCreep(Creep $creep): self
    {
        return new self($creep->thisWeek, $creep->lastWeek, $creep->lowest);
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->numberOrNull('this_week', 0, 10),
            $node->numberOrNull('last_week', 0, 10),
            $node->numberOrNull('lowest', 0, 10),
        );
    }

    /** @return array{this_week: int|float|null, last_week: int|float|null, lowest: int|float|null} */
    public function toArray(): array
    {
        return ['this_week' => $this->thisWeek, 'last_week' => $this->lastWeek, 'lowest' => $this->lowest];
    }
}
