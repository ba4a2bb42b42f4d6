<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * @property int $version
 * @property string $content the plan as JSON
 * @property string $note
 * @property string|null $author_id
 * @property string|null $valid_from the first day on which it is in force; null: from when it was written
 * @property string|null $why in words for the athlete
 * @property CarbonImmutable $created_at
 */
final class PlanVersion extends CaseRecord
{
    protected $table = 'plan_versions';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['created_at' => 'immutable_datetime'];
    }
}
