<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

/** What a part of a paper is; a text alone can be rewritten, all others are drawn from the record. */
enum BlockKind: string
{
    case Text = 'text';
    case Table = 'table';
    case Exercises = 'exercises';
    case Course = 'course';
    case Curve = 'curve';
}
