<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * @property CarbonImmutable $at
 * @property string $clears
 */
final class Review extends CaseRecord
{
    protected $table = 'reviews';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
