<?php

declare(strict_types=1);

namespace App\Actions;

/** How a case ends. */
enum CaseEnding: string
{
    /** The athlete is back to what was wanted. */
    case Discharged = 'discharged';
    /** Somebody else goes on. */
    case Referred = 'referred';
    /** It ends before its end. */
    case Stopped = 'stopped';
}
