<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * What an athlete put right in an entry of their own, with what it said before. Rows are never changed.
 *
 * @property string $user_id
 * @property string $what session or morning
 * @property string $entry the id of what was put right
 * @property CarbonImmutable $at
 * @property array<string, mixed> $before
 * @property bool $withdrawn
 */
final class Correction extends CaseRecord
{
    protected $table = 'corrections';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'before' => 'array', 'withdrawn' => 'boolean'];
    }
}
