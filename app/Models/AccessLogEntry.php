<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That a person read or changed athletes' records.
 *
 * @property int $id
 * @property string $practice_id
 * @property string $user_id
 * @property string|null $athlete_id null where several athletes are concerned
 * @property AccessKind $kind
 * @property string $what
 * @property list<string> $cases
 * @property array<string, mixed>|null $details of what was changed: what it was, and what it is
 * @property CarbonImmutable $at
 * @property User|null $user null where it was an athlete who is erased
 * @property Athlete|null $athlete
 */
final class AccessLogEntry extends Model
{
    use BelongsToPractice;

    public $timestamps = false;

    protected $table = 'access_log';

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Athlete, $this> */
    public function athlete(): BelongsTo
    {
        return $this->belongsTo(Athlete::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => AccessKind::class, 'cases' => 'array', 'details' => 'array', 'at' => 'immutable_datetime'];
    }
}
