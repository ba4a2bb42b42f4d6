<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

/** The kind of loading (docs/rules.md, "Conventions"). */
enum Mode: string
{
    case Isometric = 'isometric';
    case Isotonic = 'isotonic';
    case Eccentric = 'eccentric';
    case Plyometric = 'plyometric';
    case Running = 'running';
    case Throwing = 'throwing';
    case Sport = 'sport';
    case Control = 'control';
    case Mobility = 'mobility';
    case SoftTissue = 'soft_tissue';
    /** Of a stage alone: its exercises are of several modes. */
    case Mixed = 'mixed';

    /** Lifts and lowers a load: volume load and moving time are counted for these. */
    public function isMoving(): bool
    {
        return $this === self::Isotonic || $this === self::Eccentric;
    }

    /** Wants hours of recovery before the next of its kind: springs, slow strength and lowering. */
    public function isHeavy(): bool
    {
        return $this->isMoving() || $this->isSpringy();
    }

    /** Loads the tendon like a spring: kept away from events and from itself. */
    public function isSpringy(): bool
    {
        return $this === self::Plyometric || $this === self::Running || $this === self::Throwing;
    }
}
