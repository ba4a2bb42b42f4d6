<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Rung\Core\Papers\Paper as Content;

/**
 * A paper as it was written at a moment. Rows are never changed.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $paper_id
 * @property int $number 1 is the draft from the record
 * @property string $user_id
 * @property CarbonImmutable $at
 * @property string $content the paper as JSON
 * @property User $user
 */
final class PaperVersion extends Model
{
    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function paper(): Content
    {
        return Content::fromJson($this->content);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
