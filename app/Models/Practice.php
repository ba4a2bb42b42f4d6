<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $name
 * @property string $timezone
 * @property string|null $telephone that athletes call
 * @property string|null $hours when somebody is there
 * @property string|null $address at the head of letters
 * @property string $cases_open_to 'practice', or 'own': whether staff see every case or their own and shared ones
 * @property bool $second_factor_needed for staff
 * @property string|null $nudge_words the message to a silent athlete, with {name} for the first name; null: Rung's own words
 * @property list<string>|null $equipment what most athletes have at hand
 * @property int|null $kept_years after the last case was closed for which records are kept
 * @property bool $demo the demo practice, which ./rung demo may erase
 */
final class Practice extends Model
{
    use HasUuids;

    /** Named, so that no request has to work out a plural. */
    protected $table = 'practices';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['equipment' => 'array', 'demo' => 'boolean', 'second_factor_needed' => 'boolean'];
    }
}
