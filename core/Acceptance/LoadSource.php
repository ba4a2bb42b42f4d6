<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

/** Where the weight of the next session comes from. */
enum LoadSource: string
{
    /** What was lifted last in the same exercise. */
    case Lifted = 'lifted';

    /** Nothing was lifted yet: it is found in the room. */
    case ToFind = 'to_find';
}
