<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Database\Factories\OpeningFactory;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A case that is being opened: what was typed so far, to be taken up again.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $practitioner_id
 * @property string $name of the athlete, as typed
 * @property int $step
 * @property object $form the fields as they were typed, sound or not
 * @property CarbonImmutable|null $discarded_at
 * @property CarbonImmutable|null $referred_at where it ended with a letter
 * @property array{to: string, letter: string}|null $referral
 * @property string|null $case_id once it is opened
 * @property CarbonImmutable $updated_at
 * @property User $practitioner
 */
final class Opening extends Model
{
    /** @use HasFactory<OpeningFactory> */
    use HasFactory;

    use BelongsToPractice;
    use HasUuids;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function practitioner(): BelongsTo
    {
        return $this->belongsTo(User::class, 'practitioner_id');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'form' => 'object',
            'discarded_at' => 'immutable_datetime',
            'referred_at' => 'immutable_datetime',
            'referral' => 'array',
        ];
    }
}
