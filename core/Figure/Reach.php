<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Input\ObjectNode;

/** Where a hand or a foot must be, whatever the rest of the body does: at a place, or at a point of the body. */
final readonly class Reach
{
    /**
     * @param string|null $point a point of the body that it goes to; null where it goes to the place itself
     * @param Vec $at the place, or what is added to the point
     * @param Vec|null $palm where the palm looks; null where the wrist stays as the pose has it
     * @param Vec|null $fingers where the fingers point, with $palm
     * @param Vec|null $bow where the elbow or knee points; null for the usual side
     * @param float $heel of a foot: how far its heel is up, degrees
     * @param float $tread of a foot: how far the ground under it rises ahead, degrees
     */
    public function __construct(
        public ?string $point,
        public Vec $at,
        public ?Vec $palm = null,
        public ?Vec $fingers = null,
        public ?Vec $bow = null,
        public float $heel = 0,
        public float $tread = 0,
        /** How much of the way there it goes, from where the angles put it: 1 reaches it. */
        public float $part = 1,
        /** Of a foot: whether it is its heel that is at the place, and not its ball. */
        public bool $byHeel = false,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->textOrNull('point'),
            Pose::vec($node, 'at') ?? new Vec(0, 0, 0),
            Pose::vec($node, 'palm'),
            Pose::vec($node, 'fingers'),
            Pose::vec($node, 'bow'),
            (float) ($node->numberOrNull('heel', -180, 180) ?? 0),
            (float) ($node->numberOrNull('tread', -45, 45) ?? 0),
            byHeel: $node->has('by_heel') && $node->flag('by_heel'),
        );
    }

    /** On the way from this to another of the same limb. */
    public function towards(self $other, float $part): self
    {
        $mixed = static fn(?Vec $from, ?Vec $to): ?Vec => $from === null || $to === null
            ? $from ?? $to
            : $from->between($to, $part);

        return new self(
            $part < 1 ? $this->point : $other->point,
            $this->at->between($other->at, $part),
            $mixed($this->palm, $other->palm),
            $mixed($this->fingers, $other->fingers),
            $mixed($this->bow, $other->bow),
            $this->heel + ($other->heel - $this->heel) * $part,
            $this->tread + ($other->tread - $this->tread) * $part,
            $this->part + ($other->part - $this->part) * $part,
            $this->byHeel,
        );
    }

    public function partly(float $part): self
    {
        return new self(
            $this->point,
            $this->at,
            $this->palm,
            $this->fingers,
            $this->bow,
            $this->heel,
            $this->tread,
            $this->part * $part,
            $this->byHeel,
        );
    }
}
