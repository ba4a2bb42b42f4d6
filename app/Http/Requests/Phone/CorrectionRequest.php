<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use App\Actions\CorrectionData;
use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * What an athlete puts right in an entry of theirs.
 *
 * @extends CoreRequest<CorrectionData>
 */
final class CorrectionRequest extends CoreRequest
{
    protected function read(ObjectNode $node): CorrectionData
    {
        return CorrectionData::read($node);
    }
}
