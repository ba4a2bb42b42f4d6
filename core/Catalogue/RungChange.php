<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

/** What makes a rung of a ladder harder than the one below. */
enum RungChange: string
{
    case Limbs = 'limbs';
    case Lever = 'lever';
    case Range = 'range';
    case Load = 'load';
    case Speed = 'speed';
    case Support = 'support';
    case Contraction = 'contraction';
}
