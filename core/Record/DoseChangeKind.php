<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** Why a dose was changed. */
enum DoseChangeKind: string
{
    case Progress = 'progress';
    case AddLoad = 'add_load';
    case Ease = 'ease';
    case StepDown = 'step_down';
    case Manual = 'manual';

    /** Eased inside its corridor; the dose itself stays. */
    case Within = 'within';

    /** Whether it answers a reaction that was too strong: less load, or a practitioner's own hand. */
    public function relieves(): bool
    {
        return in_array($this, [self::Ease, self::StepDown, self::Manual, self::Within], true);
    }

    /** Whether it made more of a dose. */
    public function raises(): bool
    {
        return $this === self::Progress || $this === self::AddLoad;
    }

    /** Whether it made less of a dose. */
    public function lowers(): bool
    {
        return $this === self::Ease || $this === self::StepDown;
    }
}
