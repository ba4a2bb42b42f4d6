<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** A place or a direction: x ahead, y up, z to the right of a body that looks ahead; in percent of the body's height. */
final readonly class Vec
{
    public function __construct(public float $x, public float $y, public float $z) {}

    public function plus(self $other): self
    {
        return new self($this->x + $other->x, $this->y + $other->y, $this->z + $other->z);
    }

    public function minus(self $other): self
    {
        return new self($this->x - $other->x, $this->y - $other->y, $this->z - $other->z);
    }

    public function times(float $factor): self
    {
        return new self($this->x * $factor, $this->y * $factor, $this->z * $factor);
    }

    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y + $this->z * $other->z;
    }

    public function cross(self $other): self
    {
        return new self(
            $this->y * $other->z - $this->z * $other->y,
            $this->z * $other->x - $this->x * $other->z,
            $this->x * $other->y - $this->y * $other->x,
        );
    }

    public function length(): float
    {
        return sqrt($this->dot($this));
    }

    public function to(self $other): float
    {
        return $this->minus($other)->length();
    }

    /** The same direction, one long; straight up where there is none. */
    public function unit(): self
    {
        $length = $this->length();

        return $length < 1e-9 ? new self(0, 1, 0) : $this->times(1 / $length);
    }

    /** The part of it that stands square to a direction, one long; null where nothing of it does. */
    public function squareTo(self $direction): ?self
    {
        $unit = $direction->unit();
        $square = $this->minus($unit->times($this->dot($unit)));

        return $square->length() < 1e-6 ? null : $square->unit();
    }

    public function between(self $other, float $part): self
    {
        return $this->plus($other->minus($this)->times($part));
    }

    /** Seen in the mirror that divides left from right. */
    public function mirrored(): self
    {
        return new self($this->x, $this->y, -$this->z);
    }
}
