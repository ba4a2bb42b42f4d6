<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** From where a figure is looked at. */
enum View: string
{
    case Side = 'side';
    case Front = 'front';
    case Back = 'back';
    /** From in front and a little to the side. */
    case Quarter = 'quarter';
    /** From in front and a little to the side that does not work. */
    case OtherQuarter = 'other_quarter';
    /** From behind and a little to the side. */
    case BackQuarter = 'back_quarter';
    /** From the side that does not work. */
    case FarSide = 'far_side';
    /** From in front and a little above. */
    case FrontAbove = 'front_above';
    /** From above and in front. */
    case Above = 'above';

    /** @return array{turn: int, tilt: int} degrees round the body from its working side, and degrees above the level */
    public function camera(): array
    {
        return match ($this) {
            self::Side => ['turn' => 14, 'tilt' => 5],
            self::Front => ['turn' => 84, 'tilt' => 5],
            self::Back => ['turn' => -84, 'tilt' => 5],
            self::Quarter => ['turn' => 48, 'tilt' => 8],
            self::OtherQuarter => ['turn' => 120, 'tilt' => 6],
            self::BackQuarter => ['turn' => -48, 'tilt' => 8],
            self::FarSide => ['turn' => 166, 'tilt' => 5],
            self::FrontAbove => ['turn' => 78, 'tilt' => 20],
            self::Above => ['turn' => 64, 'tilt' => 34],
        };
    }
}
