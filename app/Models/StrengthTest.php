<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * @property string $test
 * @property string $on
 * @property float $affected
 * @property float $unaffected
 * @property string $unit
 * @property bool $superseded struck out
 * @property CarbonImmutable $created_at
 */
final class StrengthTest extends CaseRecord
{
    protected $table = 'tests';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['affected' => 'float', 'unaffected' => 'float', 'superseded' => 'boolean', 'created_at' => 'immutable_datetime'];
    }
}
