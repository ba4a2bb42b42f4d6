<?php

declare(strict_types=1);

namespace App\Papers;

enum PageSize: string
{
    case A4 = 'A4';
    case Letter = 'letter';
}
