<?php

declare(strict_types=1);

namespace App\Models\Casts;

use App\Care\Intake;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;

/**
 * What intake found, as a value.
 *
 * @implements CastsAttributes<Intake, Intake>
 */
final class KeptIntake implements CastsAttributes
{
    /** @param array<string, mixed> $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): Intake
    {
        $kept = is_string($value) ? json_decode($value, true) : null;

        return Intake::fromArray(is_array($kept) ? $kept : []);
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        if (!($value instanceof Intake)) {
            throw new InvalidArgumentException("$key takes an Intake");
        }

        return json_encode($value->toArray(), JSON_THROW_ON_ERROR);
    }
}
