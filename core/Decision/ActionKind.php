<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

/** What is proposed for a case. */
enum ActionKind: string
{
    case Stop = 'stop';
    case Gather = 'gather';
    case StepDown = 'step_down';
    case Ease = 'ease';
    case Repeat = 'repeat';
    case AddLoad = 'add_load';
    case Progress = 'progress';
    case Advance = 'advance';
    case Finish = 'finish';
}
