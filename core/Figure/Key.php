<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** A pose at a level of the movement, 0 to 1. */
final readonly class Key
{
    public function __construct(public float $at, public Pose $pose) {}
}
