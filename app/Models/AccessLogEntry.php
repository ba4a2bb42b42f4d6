<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * That a person read or changed athletes' records.
 *
 * @property int $id
 * @property string $practice_id
 * @property string $user_id
 * @property string|null $athlete_id null where several athletes are concerned
 * @property string $what
 * @property list<string> $cases
 * @property CarbonImmutable $at
 */
final class AccessLogEntry extends Model
{
    use BelongsToPractice;

    public $timestamps = false;

    protected $table = 'access_log';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['cases' => 'array', 'at' => 'immutable_datetime'];
    }
}
