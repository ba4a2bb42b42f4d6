<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** The side that works, drawn as the right one, and the other. */
enum Limb: string
{
    case Work = 'work';
    case Other = 'other';

    public function sign(): int
    {
        return $this === self::Work ? 1 : -1;
    }

    public function opposite(): self
    {
        return $this === self::Work ? self::Other : self::Work;
    }

    /** A turn that is written for the right side, for this one. */
    public function sided(Turn $turn): Turn
    {
        return $this === self::Work ? $turn : $turn->mirrored();
    }
}
