<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;

/** A kind of session that a stage's calendar places. */
final readonly class Slot
{
    public function __construct(public string $key, public Mode $mode, public int $times_per_day = 1, public ?string $title = null) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->choice('mode', Mode::class),
            $node->wholeOrNull('times_per_day', 1, 24) ?? 1,
        );
    }

    /** As a plan has it: with the title that people see. */
    public static function readTitled(ObjectNode $node): self
    {
        $title = $node->text('title');
        $slot = self::read($node);

        return new self($slot->key, $slot->mode, $slot->times_per_day, $title);
    }

    /** What people call it. */
    public function name(): string
    {
        return $this->title ?? $this->key;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter([
            'key' => $this->key,
            'title' => $this->title,
            'mode' => $this->mode->value,
            'times_per_day' => $this->times_per_day,
        ], static fn(mixed $value): bool => $value !== null);
    }
}
