<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\EntryChange;
use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * What a practitioner puts right in the record.
 *
 * @extends CoreRequest<EntryChange>
 */
final class EntryChangeRequest extends CoreRequest
{
    protected function read(ObjectNode $node): EntryChange
    {
        return EntryChange::read($node);
    }
}
