<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** What a session was: the programme's loading, or the sport, act or work itself. */
enum SessionKind: string
{
    case Loading = 'loading';
    case Sport = 'sport';
}
