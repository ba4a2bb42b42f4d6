<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Session;

/**
 * A session, as the phone kept it or as a practitioner enters it for the athlete, and the version of the plan that it was
 * done from.
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
        return ['id' => $this->route('session') ?? $this->route('id'), 'stage' => ''];
    }
}
