<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * After how many minutes the pain of a session had settled.
 *
 * @extends CoreRequest<int|float>
 */
final class SettlingRequest extends CoreRequest
{
    /** Minutes in three days. */
    private const LATEST_MIN = 4320;

    protected function read(ObjectNode $node): int|float
    {
        return $node->number('settled_min', 0, self::LATEST_MIN);
    }
}
