<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Time\Day;

/** One number that a proposal rests on, with the limit that it is held against. */
final readonly class Ground
{
    public function __construct(
        public string $what,
        /** With its unit. */
        public string $value,
        /** With its unit; null where nothing is compared. */
        public ?string $limit = null,
        /** Whether it is beyond its limit. */
        public bool $beyond = false,
        /** The day of the session that it belongs to. */
        public ?Day $on = null,
    ) {}

    /** @return array{what: string, value: string, limit: string|null, beyond: bool, on: string|null} */
    public function toArray(): array
    {
        return [
            'what' => $this->what,
            'value' => $this->value,
            'limit' => $this->limit,
            'beyond' => $this->beyond,
            'on' => $this->on?->toIso(),
        ];
    }
}
