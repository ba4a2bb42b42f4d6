<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Session;

/**
 * A session as the phone kept it.
 *
 * @extends CoreRequest<array{Session, int}>
 */
final class SessionRequest extends CoreRequest
{
    /** @return array{Session, int} */
    protected function read(ObjectNode $node): array
    {
        return [Session::read($node), $node->whole('plan_version', 1)];
    }

    /** @return array<string, mixed> */
    protected function added(): array
    {
        return ['id' => $this->route('id'), 'stage' => ''];
    }
}
