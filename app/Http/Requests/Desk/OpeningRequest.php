<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\OpeningData;
use App\Http\Requests\AsksPractice;
use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * What a practitioner found and chose when opening a case.
 *
 * @extends CoreRequest<OpeningData>
 */
final class OpeningRequest extends CoreRequest
{
    use AsksPractice;

    protected function read(ObjectNode $node): OpeningData
    {
        return OpeningData::read($node, $this->catalogue(), $this->today());
    }
}
