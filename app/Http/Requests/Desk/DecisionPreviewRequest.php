<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\PreviewData;
use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * A decision that is looked at before it is made.
 *
 * @extends CoreRequest<PreviewData>
 */
final class DecisionPreviewRequest extends CoreRequest
{
    protected function read(ObjectNode $node): PreviewData
    {
        return PreviewData::read($node);
    }
}
