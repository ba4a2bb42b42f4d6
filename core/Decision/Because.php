<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

/** Why the next session asks what it asks, inside a dose (docs/rules.md, "What the next session asks"). */
enum Because: string
{
    case Fixed = 'fixed';
    case Start = 'start';
    case Eased = 'eased';
    case Short = 'short';
    case Kept = 'kept';
    case Capped = 'capped';
    case Full = 'full';
    case Grown = 'grown';
}
