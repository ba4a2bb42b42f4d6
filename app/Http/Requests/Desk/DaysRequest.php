<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\DaysData;
use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * Shows, days without training, and practice beside the plan.
 *
 * @extends CoreRequest<DaysData>
 */
final class DaysRequest extends CoreRequest
{
    protected function read(ObjectNode $node): DaysData
    {
        return DaysData::read($node);
    }
}
