<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

/** What a change since the first value means (docs/rules.md, "Measures over time"). */
enum Meaning: string
{
    case Better = 'better';
    case Worse = 'worse';
    /** Smaller than the smallest change that matters. */
    case Noise = 'noise';
}
