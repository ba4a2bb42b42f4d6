<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use App\Support\CurrentPractice;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Rung\Core\Input\InvalidInput;

/**
 * A row that belongs to a case.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $case_id
 * @property CareCase $case
 */
abstract class CaseRecord extends Model
{
    use BelongsToPractice;
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<CareCase, $this> */
    public function case(): BelongsTo
    {
        return $this->belongsTo(CareCase::class, 'case_id');
    }

    /**
     * Whether an id that a phone made is stored for this case already.
     *
     * @throws InvalidInput where it belongs to something else, so that nothing is taken for stored that is not
     */
    public static function isStored(CareCase $case, string $id): bool
    {
        $found = app(CurrentPractice::class)->across(static fn(): ?self => static::query()->whereKey($id)->first());
        if ($found instanceof self && $found->case_id !== $case->id) {
            throw InvalidInput::at('/id', 'is taken; send this again under another');
        }

        return $found !== null;
    }
}
