<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

/** Which limbs an exercise is done with. */
enum Limbs: string
{
    /** The affected one alone. */
    case Affected = 'affected';
    /** Both, one after the other. */
    case Each = 'each';
    /** Both at once. */
    case Together = 'together';

    /** As it is done by somebody with both sides affected: each in turn, where one would be the affected one alone. */
    public function onBothSides(): self
    {
        return $this === self::Affected ? self::Each : $this;
    }

    /** How often a set is done: once for each limb that takes a turn. */
    public function turns(): int
    {
        return $this === self::Each ? 2 : 1;
    }
}
