<?php

declare(strict_types=1);

namespace Rung\Core\Response;

/** Whether the provocation score drifts up from week to week. */
enum CreepState: string
{
    case NoData = 'no_data';
    case Creeping = 'creeping';
    case Steady = 'steady';
}
