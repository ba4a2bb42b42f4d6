<?php

declare(strict_types=1);

namespace App\Models;

/** How far a file is that is made in the background. */
enum FileState: string
{
    case Waiting = 'waiting';
    case Making = 'making';
    case Ready = 'ready';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    public function isOver(): bool
    {
        return !in_array($this, [self::Waiting, self::Making], true);
    }
}
