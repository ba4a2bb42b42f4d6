<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

/** What a lever changes (docs/rules.md, "The next dose"). */
enum LeverKind: string
{
    case Hold = 'hold';
    case Work = 'work';
    case Height = 'height';
    case Resistance = 'resistance';
    case Reps = 'reps';
    case Sets = 'sets';
    case Percent = 'percent';
    case Range = 'range';
    case Tempo = 'tempo';
    case Load = 'load';
    case RepetitionMaximum = 'rm';
    case Rung = 'rung';
}
