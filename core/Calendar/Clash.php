<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Time\Day;

/** A rule of the weeks that is not kept, where, and by what. */
final readonly class Clash
{
    public function __construct(
        public ClashKind $kind,
        public string $session,
        public Day $on,
        /** The earlier session that stands too near. */
        public ?string $other = null,
        /** Hours between them, sessions of the week, or kinds of the day. */
        public ?int $is = null,
        public ?int $allowed = null,
    ) {}

    /** The same clash again, wherever it is found. */
    public function key(): string
    {
        return "{$this->kind->value} $this->session $this->other";
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'session' => $this->session,
            'on' => $this->on->toIso(),
            'other' => $this->other,
            'is' => $this->is,
            'allowed' => $this->allowed,
        ];
    }
}
