<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One version of an item of a practice's own library. Versions are added, never changed.
 *
 * @property string $id
 * @property string $practice_id
 * @property LibraryKind $kind
 * @property string $key
 * @property int $version
 * @property string|null $based_on the key of the item that it was copied from
 * @property string $content JSON, as in a library file
 * @property bool $withdrawn whether the item is no longer offered from this version on
 * @property string $author_id
 * @property CarbonImmutable $created_at
 * @property User $author
 */
final class LibraryItem extends Model
{
    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'author_id');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => LibraryKind::class, 'created_at' => 'immutable_datetime', 'withdrawn' => 'boolean'];
    }
}
