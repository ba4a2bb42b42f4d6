<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

/** How a criterion stands. */
enum CriterionState: string
{
    case Met = 'met';
    case NotYet = 'not_yet';
    case NoData = 'no_data';
}
