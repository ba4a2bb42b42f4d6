<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Time\Day;

/** A day that a criterion looks at, and whether what happened on it fits what is needed. */
final readonly class EvidenceDay
{
    public function __construct(public Day $on, public bool $fits) {}
}
