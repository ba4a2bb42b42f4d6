<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * What an athlete who fell silent is written; nothing for the usual words of the practice.
 *
 * @extends CoreRequest<string|null>
 */
final class NudgeRequest extends CoreRequest
{
    protected function read(ObjectNode $node): ?string
    {
        return $node->textOrNull('words');
    }
}
