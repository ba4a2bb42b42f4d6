<?php

declare(strict_types=1);

namespace Rung\Core\Exercise;

/** How far from the joint the load acts in an exercise. */
enum LeverArm: string
{
    case None = 'none';
    case Short = 'short';
    case Middle = 'middle';
    case Long = 'long';
}
