<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** Sets and repetitions that a programme fixes from a week of the stage on (1 is the first). */
final readonly class Block
{
    public function __construct(
        public int $from_week,
        public int $sets,
        public int $reps,
        /** The upper end of a corridor of repetitions; null where there is none. */
        public ?int $reps_to = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $block = new self(
            $node->whole('from_week', 1),
            $node->whole('sets', 1, Dose::MAX_SETS),
            $node->whole('reps', 1, Dose::MAX_REPS),
            $node->wholeOrNull('reps_to', 1, Dose::MAX_REPS),
        );
        if ($block->reps_to !== null && $block->reps_to < $block->reps) {
            $node->fault('reps_to', 'must not be below reps');
        }

        return $block;
    }

    /** Repetitions for which its weight is found: the upper end. */
    public function most(): int
    {
        return $this->reps_to ?? $this->reps;
    }

    /** Whether a dose is not of this block yet. */
    public function differsFrom(Dose $dose): bool
    {
        return $this->sets !== $dose->sets || $this->reps !== $dose->reps || $this->reps_to !== $dose->reps_to;
    }

    /** @return array<string, int> */
    public function toArray(): array
    {
        return array_filter(
            [
                'from_week' => $this->from_week,
                'sets' => $this->sets,
                'reps' => $this->reps,
                'reps_to' => $this->reps_to,
            ],
            static fn(?int $value): bool => $value !== null,
        );
    }
}
