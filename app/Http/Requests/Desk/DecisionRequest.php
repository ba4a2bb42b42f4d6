<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\DecisionData;
use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * A decision of a practitioner.
 *
 * @extends CoreRequest<DecisionData>
 */
final class DecisionRequest extends CoreRequest
{
    protected function read(ObjectNode $node): DecisionData
    {
        return DecisionData::read($node);
    }
}
