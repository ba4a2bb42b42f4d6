<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\VisitData;
use App\Http\Requests\CoreRequest;
use Carbon\CarbonImmutable;
use Rung\Core\Input\ObjectNode;

/**
 * A visit as it ends.
 *
 * @extends CoreRequest<VisitData>
 */
final class VisitRequest extends CoreRequest
{
    protected function read(ObjectNode $node): VisitData
    {
        return VisitData::read($node, CarbonImmutable::now());
    }
}
