<?php

declare(strict_types=1);

namespace App\Actions;

/** How an item of a library file stands to the library. */
enum LibraryDifference: string
{
    case New = 'new';
    case Changed = 'changed';
    case Same = 'same';
}
