<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Rung\Core\Attention\ReminderKind;

/**
 * A reminder that was sent to a phone, or waits to be.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $phone_id
 * @property ReminderKind $kind
 * @property string $about the day or the message
 * @property string $words
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $taken_at when the phone took it
 */
final class Push extends Model
{
    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => ReminderKind::class, 'at' => 'immutable_datetime', 'taken_at' => 'immutable_datetime'];
    }
}
