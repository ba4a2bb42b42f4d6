<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use App\Models\LibraryKind;
use Rung\Core\Input\ObjectNode;

/**
 * What of the library is copied into the practice’s own.
 *
 * @extends CoreRequest<array{LibraryKind, string}>
 */
final class LibraryCopyRequest extends CoreRequest
{
    /** @return array{LibraryKind, string} */
    protected function read(ObjectNode $node): array
    {
        return [$node->choice('kind', LibraryKind::class), $node->key('key')];
    }
}
