<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use Illuminate\Support\Str;
use Rung\Core\Input\ObjectNode;

/**
 * An answer to the athlete, and which of their messages were on the screen.
 *
 * @extends CoreRequest<array{string, list<string>|null}>
 */
final class AnswerRequest extends CoreRequest
{
    /** @return array{string, list<string>|null} */
    protected function read(ObjectNode $node): array
    {
        $seen = $node->textsOrNull('seen');

        return [$node->text('words'), $seen === null ? null : array_values(array_filter($seen, Str::isUuid(...)))];
    }
}
