<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** The affected side. */
enum Side: string
{
    case Left = 'left';
    case Right = 'right';
    case Both = 'both';
}
