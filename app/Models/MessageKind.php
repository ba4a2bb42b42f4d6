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
    /** The athlete asks or tells something. */
    case Question = 'question';
    /** The athlete tells of a flare between sessions. */
    case Flare = 'flare';
    /** To what the athlete asked or told. */
    case Answer = 'answer';
    /** Written to the athlete without having been asked. */
    case Message = 'message';
}
