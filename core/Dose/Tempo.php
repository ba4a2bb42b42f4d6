<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/**
 * The seconds of the four phases of a repetition. A phase without a set time carries its usual
 * seconds and is listed in `$free`; it counts all the same.
 */
final readonly class Tempo
{
    /** @param list<Phase>|null $free */
    public function __construct(
        public int|float $lift_s,
        public int|float $top_s,
        public int|float $lower_s,
        public int|float $bottom_s,
        public Starts $starts,
        public ?array $free = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->number('lift_s'),
            $node->number('top_s'),
            $node->number('lower_s'),
            $node->number('bottom_s'),
            $node->choice('starts', Starts::class),
            $node->choicesOrNull('free', Phase::class),
        );
    }

    /** Seconds of one repetition. */
    public function repSeconds(): int|float
    {
        return $this->lift_s + $this->top_s + $this->lower_s + $this->bottom_s;
    }

    public function seconds(Phase $phase): int|float
    {
        return match ($phase) {
            Phase::Lift => $this->lift_s,
            Phase::Top => $this->top_s,
            Phase::Lower => $this->lower_s,
            Phase::Bottom => $this->bottom_s,
        };
    }

    public function with(Phase $phase, int|float $seconds): self
    {
        return new self(
            $phase === Phase::Lift ? $seconds : $this->lift_s,
            $phase === Phase::Top ? $seconds : $this->top_s,
            $phase === Phase::Lower ? $seconds : $this->lower_s,
            $phase === Phase::Bottom ? $seconds : $this->bottom_s,
            $this->starts,
            $this->free,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'lift_s' => $this->lift_s,
                'top_s' => $this->top_s,
                'lower_s' => $this->lower_s,
                'bottom_s' => $this->bottom_s,
                'starts' => $this->starts->value,
                'free' =>
                    $this->free === null
                        ? null
                        : array_map(static fn(Phase $phase): string => $phase->value, $this->free),
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
