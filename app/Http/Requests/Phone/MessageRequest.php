<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use App\Http\Requests\CoreRequest;
use App\Models\MessageKind;
use Rung\Core\Input\ObjectNode;

/**
 * What an athlete writes to the practitioner, with the pain of now where they say it.
 *
 * @extends CoreRequest<array{MessageKind, string, int|null}>
 */
final class MessageRequest extends CoreRequest
{
    /** @return array{MessageKind, string, int|null} */
    protected function read(ObjectNode $node): array
    {
        return [$node->choice('kind', MessageKind::class), $node->text('words'), $node->wholeOrNull('pain', 0, 10)];
    }
}
