<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * @property string|null $planned_id
 * @property int $plan_version
 * @property string $stage
 * @property string $kind
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable $ended_at
 * @property string|null $participation
 * @property float|null $minutes
 * @property int|null $effort
 * @property float|null $settled_min
 * @property list<string> $signs
 * @property list<array<string, mixed>> $entries
 * @property string|null $notes
 * @property CarbonImmutable $created_at
 */
final class TrainingSession extends CaseRecord
{
    protected $table = 'training_sessions';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['started_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime', 'minutes' => 'float', 'settled_min' => 'float', 'signs' => 'array', 'entries' => 'array'];
    }
}
