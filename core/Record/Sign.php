<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** Something an athlete may report. All but night_ache are stop signs. */
enum Sign: string
{
    case SuddenPop = 'sudden_pop';
    case LossOfFunction = 'loss_of_function';
    case Swelling = 'swelling';
    case Fever = 'fever';
    case NightPain = 'night_pain';
    case Numbness = 'numbness';
    case GivingWay = 'giving_way';
    case Locking = 'locking';
    case Trauma = 'trauma';
    case NightAche = 'night_ache';

    public function isStop(): bool
    {
        return $this !== self::NightAche;
    }
}
