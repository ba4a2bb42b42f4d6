<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\MoveData;
use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * Sessions that are to stand on other days.
 *
 * @extends CoreRequest<MoveData>
 */
final class MoveRequest extends CoreRequest
{
    protected function read(ObjectNode $node): MoveData
    {
        return MoveData::read($node);
    }
}
