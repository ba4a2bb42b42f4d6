<?php

declare(strict_types=1);

namespace App\Models;

/** How somebody came to see a case that is not their own. */
enum ShareKind: string
{
    case Shared = 'shared';
    /** By the person alone, with a reason, where there was no time to ask. */
    case Opened = 'opened';
}
