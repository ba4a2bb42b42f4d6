<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

/** What a suggestion for a dose rests on. */
enum SuggestionKind
{
    /** The load for the repetition maximum that is aimed at, from the last sets. */
    case LoadForMaximum;

    /** The load for the repetitions that are asked, from a maximum that was measured. */
    case LoadForMeasure;

    /** What could be lifted once, from the last sets. */
    case Maximum;

    /** The force of a hold at a share of a measured maximum. */
    case HoldTarget;

    /** The effort that stands in for a share of a maximum. */
    case Effort;

    /** The step that the progression would take next. */
    case NextStep;
}
