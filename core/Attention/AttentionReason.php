<?php

declare(strict_types=1);

namespace Rung\Core\Attention;

/** Why a case is in its attention group. */
enum AttentionReason: string
{
    case NoScores = 'no_scores';
    case SessionsMissed = 'sessions_missed';
    case LongBreak = 'long_break';
    case TooTimid = 'too_timid';
    case ReviewDue = 'review_due';
    case NoImprovement = 'no_improvement';
    case FailedTwice = 'failed_twice';
    case TestHigh = 'test_high';
    case Plateau = 'plateau';
}
