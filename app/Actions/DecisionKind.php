<?php

declare(strict_types=1);

namespace App\Actions;

/** What a practitioner may decide about a case. Doses are set by hand on the Prescribe screen ({@see SavePlan}). */
enum DecisionKind: string
{
    /** Take the proposal as it is, or some of it. */
    case Accept = 'accept';
    /** Enter another stage by hand. */
    case Stage = 'stage';
    /** Clear a stop after review. */
    case ClearStop = 'clear_stop';
    /** Sign off the technique of the present stage. */
    case SignOff = 'sign_off';
    /** Leave everything as it is, for a reason. */
    case Keep = 'keep';
    /** Judge by another response rule from now on. */
    case Rule = 'rule';
    /** Ease, rest, holds only, advice: what a flare asks for. */
    case Flare = 'flare';
    /** Look again on a day. */
    case Review = 'review';
    /** End the case: discharged, referred or stopped, for a reason. */
    case Close = 'close';
    /** Open a closed case again, one step lower. */
    case Reopen = 'reopen';
    /** Write something down. */
    case Note = 'note';

    public function needsReason(): bool
    {
        return in_array(
            $this,
            [self::Stage, self::ClearStop, self::Keep, self::Rule, self::Close, self::Reopen, self::Note],
            true,
        );
    }
}
