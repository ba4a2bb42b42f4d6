<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

/** Which way a score is better. */
enum Better: string
{
    case Higher = 'higher';
    case Lower = 'lower';
}
