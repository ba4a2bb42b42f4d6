<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $measure
 * @property string $on
 * @property float $score
 * @property bool $superseded struck out
 * @property array<string, mixed>|null $details tries, lever and angle, as they were entered
 * @property string|null $entered_by
 * @property User|null $author who entered it; null of what came in before that was kept
 * @property CarbonImmutable $created_at
 */
final class Outcome extends CaseRecord
{
    protected $table = 'outcomes';

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'entered_by');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'score' => 'float',
            'superseded' => 'boolean',
            'details' => 'array',
            'created_at' => 'immutable_datetime',
        ];
    }
}
