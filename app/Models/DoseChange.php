<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * @property CarbonImmutable $at
 * @property string $kind
 * @property string|null $prescription
 */
final class DoseChange extends CaseRecord
{
    protected $table = 'dose_changes';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
