<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * @property string $measure
 * @property string $on
 * @property float $score
 * @property bool $superseded struck out
 * @property CarbonImmutable $created_at
 */
final class Outcome extends CaseRecord
{
    protected $table = 'outcomes';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['score' => 'float', 'superseded' => 'boolean', 'created_at' => 'immutable_datetime'];
    }
}
