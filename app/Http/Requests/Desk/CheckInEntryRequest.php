<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\CheckIn;

/**
 * An answer that a practitioner enters for the athlete.
 *
 * @extends CoreRequest<CheckIn>
 */
final class CheckInEntryRequest extends CoreRequest
{
    protected function read(ObjectNode $node): CheckIn
    {
        return CheckIn::read($node);
    }

    /** @return array<string, mixed> */
    protected function added(): array
    {
        return ['id' => $this->route('id')];
    }
}
