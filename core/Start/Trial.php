<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Dose\Dose;
use Rung\Core\Input\ObjectNode;

/** One try of an exercise in the room, and how it was tolerated (docs/rules.md, "Tried in the room"). */
final readonly class Trial
{
    private const MOST_RESERVE = 10;

    private const MOST_LOAD_KG = 1000;

    private function __construct(
        /** Key of the exercise in the catalogue. */
        public string $exercise,
        /** Repetitions of the set that was tried; null for a hold. */
        public ?int $reps,
        /** Seconds of the hold that was tried. */
        public int|float|null $hold_s,
        /** Load beside the body, kg; null where none was taken. */
        public int|float|null $load_kg,
        /** Worst pain, 0–10. */
        public int $pain,
        /** Repetitions that were left in reserve; null where it was not asked. */
        public ?int $reserve,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $trial = new self(
            $node->key('exercise'),
            $node->wholeOrNull('reps', 1, Dose::MAX_REPS),
            $node->numberOrNull('hold_s', 1, Dose::MAX_HOLD_S),
            $node->numberOrNull('load_kg', 0, self::MOST_LOAD_KG),
            $node->whole('pain', 0, 10),
            $node->wholeOrNull('reserve', 0, self::MOST_RESERVE),
        );
        if (($trial->reps === null) === ($trial->hold_s === null)) {
            $node->fault('reps', 'or the seconds of the hold must be given, one of the two');
        }

        return $trial;
    }

    /** @param int $limit the pain that the school allows in an exercise, 0–10 */
    public function isBorne(int $limit): bool
    {
        return $this->pain <= $limit;
    }

    /** Whether a dose of so many repetitions was within reach of what was tried. */
    public function reaches(int $reps): bool
    {
        return $this->reps !== null && $this->reps + ($this->reserve ?? 0) >= $reps;
    }

    /** "8 repetitions at 60 kg: pain 2 of 10, 2 in reserve". */
    public function words(): string
    {
        $done =
            $this->hold_s === null
                ? "$this->reps " . ($this->reps === 1 ? 'repetition' : 'repetitions')
                : "a hold of $this->hold_s s";
        $load = ($this->load_kg ?? 0) > 0 ? " at $this->load_kg kg" : '';
        $reserve = $this->reserve === null ? '' : ", $this->reserve in reserve";

        return "$done$load: pain $this->pain of 10$reserve";
    }
}
