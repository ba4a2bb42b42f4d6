<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

/** A stage as a practitioner is about to prescribe it. */
final class PlanPreviewRequest extends PlanRequest
{
    protected function isSaved(): bool
    {
        return false;
    }
}
