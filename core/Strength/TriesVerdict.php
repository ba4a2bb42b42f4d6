<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

/** What comes after a try. */
enum TriesVerdict: string
{
    /** Fewer than the measure asks for. */
    case Go = 'go';
    /** They differ too much: one more. */
    case OnceMore = 'once_more';
    case Done = 'done';
    /** They still differ after two more: the best counts, with a note that they differ. */
    case Unsteady = 'unsteady';
}
