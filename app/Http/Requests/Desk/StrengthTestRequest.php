<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\StrengthTest;

/**
 * A strength test of both sides.
 *
 * @extends CoreRequest<StrengthTest>
 */
final class StrengthTestRequest extends CoreRequest
{
    protected function read(ObjectNode $node): StrengthTest
    {
        return StrengthTest::read($node);
    }
}
