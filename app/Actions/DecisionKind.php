<?php

declare(strict_types=1);

namespace App\Actions;

/** What a practitioner may decide about a case. */
enum DecisionKind: string
{
    /** Take the proposal as it is, or some of it. */
    case Accept = 'accept';
    /** Set doses by hand. */
    case Change = 'change';
    /** Enter another stage by hand. */
    case Stage = 'stage';
    /** Clear a stop after review. */
    case ClearStop = 'clear_stop';
    /** Sign off the technique of the present stage. */
    case SignOff = 'sign_off';
    /** Leave everything as it is, for a reason. */
    case Keep = 'keep';
}
