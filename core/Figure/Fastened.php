<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** A place that goes with a part of the body: ahead, down along it, and outwards from where it begins. */
final readonly class Fastened
{
    public function __construct(public string $segment, public Limb $limb, public Vec $at) {}

    public function in(Posed $body): Vec
    {
        return Tissue::place($body, $this->limb, $this->segment, $this->at->x, $this->at->y, $this->at->z);
    }
}
