<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** How much of the body a figure draws. */
enum Shows: string
{
    case Body = 'body';
    case Arms = 'arms';
    /** The working arm alone. */
    case Arm = 'arm';
}
