<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;

/** A kind of session that a stage's calendar places. */
final readonly class Slot
{
    public function __construct(public string $key, public Mode $mode, public int $times_per_day = 1) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->choice('mode', Mode::class),
            $node->wholeOrNull('times_per_day', 1, 24) ?? 1,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key, 'mode' => $this->mode->value, 'times_per_day' => $this->times_per_day];
    }
}
