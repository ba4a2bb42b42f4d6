<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Database\Factories\CheckInFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;

/**
 * @property CarbonImmutable $at
 * @property int|null $provocation
 * @property float|null $stiffness_min
 * @property list<string> $signs
 * @property bool $late
 * @property string|null $local_on the athlete's own date where it was made
 * @property bool $superseded another answer for the same morning took its place
 * @property CarbonImmutable $made_at when it was entered
 * @property bool $after_close came in after the case was closed
 * @property string|null $notes
 * @property string|null $entered_by the practitioner who entered it for the athlete
 * @property CarbonImmutable $created_at
 */
final class CheckIn extends CaseRecord
{
    /** @use HasFactory<CheckInFactory> */
    use HasFactory;

    protected $table = 'check_ins';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
            'made_at' => 'immutable_datetime',
            'after_close' => 'boolean',
            'stiffness_min' => 'float',
            'signs' => 'array',
            'late' => 'boolean',
            'superseded' => 'boolean',
        ];
    }
}
