<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/**
 * A session that the athlete would do on another day, and why.
 *
 * @extends CoreRequest<array{string, Day, string}>
 */
final class MoveOwnRequest extends CoreRequest
{
    /** @return array{string, Day, string} */
    protected function read(ObjectNode $node): array
    {
        return [$node->key('planned'), $node->day('on'), trim($node->textOrNull('why') ?? '')];
    }
}
