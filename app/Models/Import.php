<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Database\Factories\ImportFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Rung\Core\Table\SheetKind;

/**
 * A sheet that was taken in.
 *
 * @property string $user_id
 * @property SheetKind $kind
 * @property int $entries how many were stored
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $taken_back_at
 * @property User $user
 */
final class Import extends CaseRecord
{
    /** @use HasFactory<ImportFactory> */
    use HasFactory;

    protected $table = 'imports';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => SheetKind::class, 'at' => 'immutable_datetime', 'taken_back_at' => 'immutable_datetime'];
    }
}
