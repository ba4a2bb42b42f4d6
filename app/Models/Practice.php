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
 * @property bool $demo the demo practice, which ./rung demo may erase
 */
final class Practice extends Model
{
    use HasUuids;

    protected $guarded = [];
}
