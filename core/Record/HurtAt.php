<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** Where in the movement it hurt. */
enum HurtAt: string
{
    case Start = 'start';
    case End = 'end';
    case Throughout = 'throughout';
}
