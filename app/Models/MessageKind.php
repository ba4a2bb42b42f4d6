<?php

declare(strict_types=1);

namespace App\Models;

/** Why an athlete is written to, or writes. */
enum MessageKind: string
{
    /** Nothing was heard for a while. */
    case Nudge = 'nudge';
    /** What to do beside the plan. */
    case Advice = 'advice';
    /** The athlete asks or writes something. */
    case Question = 'question';
    /** The athlete reports a flare between sessions. */
    case Flare = 'flare';
    /** An answer to what the athlete wrote. */
    case Answer = 'answer';
    /** Written to the athlete without having been asked. */
    case Message = 'message';
}
