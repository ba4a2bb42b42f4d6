<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/**
 * A score of the questionnaire, and its day.
 *
 * @extends CoreRequest<array{int|float, Day}>
 */
final class ScoreRequest extends CoreRequest
{
    /** @return array{int|float, Day} */
    protected function read(ObjectNode $node): array
    {
        return [$node->number('score', -ObjectNode::LARGEST), $node->day('on')];
    }
}
