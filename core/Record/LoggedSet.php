<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;

/** One set as it was done; what was not logged is null. */
final readonly class LoggedSet
{
    public function __construct(
        public ?int $reps = null,
        /** Seconds of each hold. */
        public int|float|null $hold_s = null,
        /** Seconds. */
        public int|float|null $work_s = null,
        public int|float|null $load_kg = null,
        /** Repetitions left in reserve. */
        public ?int $rir = null,
        /** 0–10. */
        public ?int $effort = null,
        /** Centimetres. */
        public int|float|null $height_cm = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->wholeOrNull('reps', 0, Dose::MAX_REPS),
            $node->numberOrNull('hold_s', 0, Dose::MAX_HOLD_S),
            $node->numberOrNull('work_s'),
            $node->numberOrNull('load_kg'),
            $node->wholeOrNull('rir'),
            $node->wholeOrNull('effort', 0, 10),
            $node->numberOrNull('height_cm'),
        );
    }

    /** Repetitions that count: what was not logged is 0, but 1 for a hold. */
    public function countedReps(Mode $mode): int
    {
        return $this->reps ?? ($mode === Mode::Isometric ? 1 : 0);
    }
}
