<?php

declare(strict_types=1);

namespace Rung\Core\Exercise;

/** Where a structure lies; screening is asked by region. */
enum Region: string
{
    case Knee = 'knee';
    case Calf = 'calf';
    case Hip = 'hip';
    case Shoulder = 'shoulder';
    case Elbow = 'elbow';
}
