<?php

declare(strict_types=1);

namespace App\Actions;

use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** The case has changed since the practitioner looked at it. */
final class StaleDecision extends ConflictHttpException
{
    public function __construct()
    {
        parent::__construct('Something new came in for this case. Look at it again, then decide.');
    }
}
