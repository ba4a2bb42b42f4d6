<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * Measures of a file, as text.
 *
 * @extends CoreRequest<string>
 */
final class MeasureFileRequest extends CoreRequest
{
    protected function read(ObjectNode $node): string
    {
        return $node->text('csv');
    }
}
