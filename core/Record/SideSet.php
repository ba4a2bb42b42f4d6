<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Dose\Dose;
use Rung\Core\Input\ObjectNode;

/** What one limb did of a set in which both limbs take turns (docs/rules.md, "Sets of both sides"). */
final readonly class SideSet
{
    public function __construct(
        public ?int $reps = null,
        /** Seconds of each hold. */
        public int|float|null $hold_s = null,
        /** Seconds. */
        public int|float|null $work_s = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->wholeOrNull('reps', 0, Dose::MAX_REPS),
            $node->numberOrNull('hold_s', 0, Dose::MAX_HOLD_S),
            $node->numberOrNull('work_s'),
        );
    }

    /** What one limb did: its own share, or nothing of what the other did. */
    public static function shareOf(?self $limb, ?self $other): self
    {
        return $limb ??
            new self(
                $other?->reps === null ? null : 0,
                $other?->hold_s === null ? null : 0,
                $other?->work_s === null ? null : 0,
            );
    }

    /** The lesser of two limbs, field by field; a limb that did nothing counts as 0 of what the other did. */
    public static function least(?self $left, ?self $right): self
    {
        [$one, $other] = [self::shareOf($left, $right), self::shareOf($right, $left)];

        return new self(
            $one->reps === null ? null : min($one->reps, $other->reps ?? 0),
            $one->hold_s === null ? null : min($one->hold_s, $other->hold_s ?? 0),
            $one->work_s === null ? null : min($one->work_s, $other->work_s ?? 0),
        );
    }
}
