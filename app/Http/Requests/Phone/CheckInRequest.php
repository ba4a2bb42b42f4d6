<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\CheckIn;
use Rung\Core\Time\Moment;

/**
 * An answer as the phone kept it, and when it was entered.
 *
 * @extends CoreRequest<array{CheckIn, Moment|null}>
 */
final class CheckInRequest extends CoreRequest
{
    /** @return array{CheckIn, Moment|null} */
    protected function read(ObjectNode $node): array
    {
        return [CheckIn::read($node), $node->momentOrNull('made_at')];
    }

    /** @return array<string, mixed> */
    protected function added(): array
    {
        return ['id' => $this->route('id')];
    }
}
