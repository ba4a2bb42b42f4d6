<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

/** What a gauge shows a force in; kilograms and pounds are those of force (docs/rules.md, "A force curve"). */
enum ForceUnit: string
{
    case Newton = 'N';
    case Kilogram = 'kg';
    case Pound = 'lb';

    /** Newtons in one of the unit. */
    public function newtons(): float
    {
        return match ($this) {
            self::Newton => 1.0,
            self::Kilogram => 9.80665,
            self::Pound => 4.4482216152605,
        };
    }
}
