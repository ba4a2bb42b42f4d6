<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** What the athlete must get back to. */
enum Goal: string
{
    case Everyday = 'everyday';
    case Hands = 'hands';
    case Strength = 'strength';
    case Running = 'running';
    case Jumping = 'jumping';
    case Throwing = 'throwing';
    case Cutting = 'cutting';
    case Power = 'power';
}
