<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use Rung\Core\Input\ObjectNode;

/**
 * To whom somebody is referred, and why.
 *
 * @extends CoreRequest<array{string, string}>
 */
final class ReferralRequest extends CoreRequest
{
    /** @return array{string, string} */
    protected function read(ObjectNode $node): array
    {
        $texts = [trim($node->textOrNull('to') ?? ''), trim($node->textOrNull('why') ?? '')];
        if ($texts[0] === '') {
            $node->fault('to', 'is needed: say to whom');
        }
        if ($texts[1] === '') {
            $node->fault('why', 'is needed: say what you ask for and why');
        }

        return $texts;
    }
}
