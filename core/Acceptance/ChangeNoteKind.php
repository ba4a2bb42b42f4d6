<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

/** What a note about a change is about. */
enum ChangeNoteKind
{
    /** The dose or the exercise is another one. */
    case Changed;

    /** The weight that was lifted is carried into the next stage. */
    case LoadCarried;

    /** An exercise comes in. */
    case Added;

    /** An exercise that the plan let wait begins. */
    case Begins;

    case Unchanged;

    /** The dose stays; the next session asks for its lower end. */
    case LowerEnd;

    /** Nothing harder is on its ladder. */
    case TopOfLadder;

    /** Nothing easier is on its ladder: back to the stage before. */
    case StageBefore;

    /** Nothing easier is left at all: it rests for some days and is tried again. */
    case Rests;

    /** Nothing but holds until a day. */
    case HoldsOnly;

    /** No loading at all until a day. */
    case NoLoading;

    /** The programme is finished; its doses are kept up until a day. */
    case KeptUp;
}
