<?php

declare(strict_types=1);

namespace Rung\Core\CaseFile;

/** Why a dose was changed. */
enum DoseChangeKind: string
{
    case Progress = 'progress';
    case AddLoad = 'add_load';
    case Ease = 'ease';
    case StepDown = 'step_down';
    case Manual = 'manual';

    /** Whether it answers a reaction that was too strong: less load, or a practitioner's own hand. */
    public function relieves(): bool
    {
        return $this === self::Ease || $this === self::StepDown || $this === self::Manual;
    }
}
