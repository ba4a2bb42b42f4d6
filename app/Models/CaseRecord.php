<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToPractice;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

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
}
