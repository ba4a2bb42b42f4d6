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
        /** Worst pain in this set, 0–10, where it is asked after each. */
        public ?int $pain = null,
        /** What the left limb did, where both take turns. */
        public ?SideSet $left = null,
        /** What the right limb did, where both take turns. */
        public ?SideSet $right = null,
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
            $node->wholeOrNull('pain', 0, 10),
            $node->childOrNull('left', SideSet::read(...)),
            $node->childOrNull('right', SideSet::read(...)),
        );
    }

    /**
     * The set as it counts where each limb's own share is known: what the affected limb did, or the lesser of the two where
     * both are (docs/rules.md, "Sets of both sides"). Without shares it is as it was logged.
     */
    public function counted(Side $affected): self
    {
        if ($this->left === null && $this->right === null) {
            return $this;
        }
        $share = match ($affected) {
            Side::Left => SideSet::shareOf($this->left, $this->right),
            Side::Right => SideSet::shareOf($this->right, $this->left),
            Side::Both => SideSet::least($this->left, $this->right),
        };

        return new self(
            $share->reps,
            $share->hold_s,
            $share->work_s,
            $this->load_kg,
            $this->rir,
            $this->effort,
            $this->height_cm,
            $this->pain,
            $this->left,
            $this->right,
        );
    }

    /** Repetitions that count: what was not logged is 0, but 1 for a hold. */
    public function countedReps(Mode $mode): int
    {
        return $this->reps ?? ($mode === Mode::Isometric ? 1 : 0);
    }
}
