<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** How easily a case flares and how long it takes to calm down. */
enum Irritability: string
{
    case Unknown = 'unknown';
    case Low = 'low';
    case Medium = 'medium';
    case High = 'high';
}
