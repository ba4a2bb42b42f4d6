<?php

declare(strict_types=1);

namespace Rung\Core\Attention;

/** The decision that a case needs, most urgent first. */
enum AttentionGroup: string
{
    case StopReview = 'stop_review';
    case OverTwice = 'over_twice';
    case Over = 'over';
    case Silent = 'silent';
    case ReadyStage = 'ready_stage';
    case ReadyProgress = 'ready_progress';
    case Stalled = 'stalled';
    case OnCourse = 'on_course';
}
