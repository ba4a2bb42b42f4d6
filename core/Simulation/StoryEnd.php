<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

/** What happens in the last days of a simulated history. */
enum StoryEnd
{
    case AsItComes;
    /** Yesterday's session was far too much. */
    case Overdone;
    /** The last two sessions were too much. */
    case OverdoneTwice;
    /** A stop sign was reported yesterday morning. */
    case StopSign;
    /** Nobody has touched the dose for four weeks. */
    case Neglected;
}
