<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

/** What a note about a change is about. */
enum ChangeNoteKind: string
{
    /** The dose or the exercise is another one. */
    case Changed = 'changed';

    /** The weight that was lifted is carried into the next stage. */
    case LoadCarried = 'load_carried';

    /** An exercise comes in. */
    case Added = 'added';

    /** An exercise that the plan let wait begins. */
    case Begins = 'begins';

    case Unchanged = 'unchanged';

    /** The dose stays; the next session asks for its lower end. */
    case LowerEnd = 'lower_end';

    /** Nothing harder is on its ladder. */
    case TopOfLadder = 'top_of_ladder';

    /** Nothing easier is on its ladder: back to the stage before. */
    case StageBefore = 'stage_before';

    /** Nothing easier is left at all: it rests for some days and is tried again. */
    case Rests = 'rests';

    /** Nothing but holds until a day. */
    case HoldsOnly = 'holds_only';

    /** No loading at all until a day. */
    case NoLoading = 'no_loading';

    /** The programme is finished; its doses are kept up until a day. */
    case KeptUp = 'kept_up';
}
