<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** How a part of the body is turned: where its own ahead, up and right point. */
final readonly class Turn
{
    public function __construct(public Vec $ahead, public Vec $up, public Vec $right) {}

    public static function none(): self
    {
        return new self(new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, 1));
    }

    /** About the axis that points ahead: up goes to the right. */
    public static function roll(float $degrees): self
    {
        [$cos, $sin] = self::parts($degrees);

        return new self(new Vec(1, 0, 0), new Vec(0, $cos, $sin), new Vec(0, -$sin, $cos));
    }

    /** About the axis that points up: ahead goes to the right. */
    public static function yaw(float $degrees): self
    {
        [$cos, $sin] = self::parts($degrees);

        return new self(new Vec($cos, 0, $sin), new Vec(0, 1, 0), new Vec(-$sin, 0, $cos));
    }

    /** About the axis that points to the right: ahead goes up. */
    public static function pitch(float $degrees): self
    {
        [$cos, $sin] = self::parts($degrees);

        return new self(new Vec($cos, $sin, 0), new Vec(-$sin, $cos, 0), new Vec(0, 0, 1));
    }

    /** Of two directions: up is kept, ahead is put square to it. */
    public static function fromDirections(Vec $up, Vec $ahead): self
    {
        $up = $up->unit();
        $ahead = $ahead->squareTo($up) ?? ((new Vec(1, 0, 0))->squareTo($up) ?? new Vec(0, 0, 1));

        return new self($ahead, $up, $ahead->cross($up));
    }

    /** A turn within this one: of the shank within the thigh. */
    public function then(self $inner): self
    {
        return new self($this->out($inner->ahead), $this->out($inner->up), $this->out($inner->right));
    }

    /** A place or direction of the turned part, as it is outside of it. */
    public function out(Vec $vec): Vec
    {
        return $this->ahead->times($vec->x)->plus($this->up->times($vec->y))->plus($this->right->times($vec->z));
    }

    public function place(float $x, float $y, float $z): Vec
    {
        return $this->out(new Vec($x, $y, $z));
    }

    /** How a direction looks from within the turned part. */
    public function within(Vec $vec): Vec
    {
        return new Vec($vec->dot($this->ahead), $vec->dot($this->up), $vec->dot($this->right));
    }

    /** The same turn of the other side of the body. */
    public function mirrored(): self
    {
        return new self($this->ahead->mirrored(), $this->up->mirrored(), $this->right->mirrored()->times(-1));
    }

    /** @return array{float, float} */
    private static function parts(float $degrees): array
    {
        return [cos(deg2rad($degrees)), sin(deg2rad($degrees))];
    }
}
