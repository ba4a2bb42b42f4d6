<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** The case has changed since the practitioner looked at it. */
final class StaleDecision extends ConflictHttpException
{
    public function __construct()
    {
        parent::__construct('Something new came in for this case. Look at it again, then decide.');
    }

    /** @throws self unless the case is as the practitioner saw it */
    public static function unless(CareCase $case, int $revision): void
    {
        if ($case->revision !== $revision) {
            throw new self();
        }
    }
}
