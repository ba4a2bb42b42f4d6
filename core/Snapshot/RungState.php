<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

/** Where a stage stands beside the present one. */
enum RungState: string
{
    case Done = 'done';
    case Current = 'current';
    case Ahead = 'ahead';
}
