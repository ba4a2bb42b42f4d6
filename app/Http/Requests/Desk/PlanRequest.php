<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\PlanData;
use App\Http\Requests\CoreRequest;
use App\Support\CatalogueShelf;
use Rung\Core\Input\ObjectNode;

/**
 * A stage as a practitioner prescribes it.
 *
 * @extends CoreRequest<PlanData>
 */
class PlanRequest extends CoreRequest
{
    protected function read(ObjectNode $node): PlanData
    {
        $case = $this->careCase();

        return PlanData::read($node, $case, $case->plan(), app(CatalogueShelf::class), $this->isSaved());
    }

    /** What is saved must say why. */
    protected function isSaved(): bool
    {
        return true;
    }
}
