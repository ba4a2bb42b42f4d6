<?php

declare(strict_types=1);

namespace App\Actions;

/** What can be put right in a case. */
enum EntryKind: string
{
    case Session = 'session';
    case Morning = 'morning';
    case Test = 'test';
    case Score = 'score';
    case Note = 'note';
}
