<?php

declare(strict_types=1);

namespace App\Models;

/** Why an athlete is written to. */
enum MessageKind: string
{
    /** Nothing was heard for a while. */
    case Nudge = 'nudge';
    /** What to do beside the plan. */
    case Advice = 'advice';
}
