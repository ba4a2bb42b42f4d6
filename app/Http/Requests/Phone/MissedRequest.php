<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * Why a session was not done.
 *
 * @extends CoreRequest<string>
 */
final class MissedRequest extends CoreRequest
{
    protected function read(ObjectNode $node): string
    {
        return $node->text('why');
    }
}
