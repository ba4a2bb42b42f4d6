<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** Whether something is sore already, or is to be kept from becoming so. */
enum Purpose: string
{
    case Rehab = 'rehab';
    case Prevention = 'prevention';
}
