<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** How far an athlete took part in training. */
enum Participation: string
{
    case Partial = 'partial';
    case Full = 'full';
}
