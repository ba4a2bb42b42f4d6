<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Snapshot\CaseSnapshot;

/**
 * How a case stands, as the core's own value. One of another format, or one that cannot be read, is none: the case is
 * evaluated again at the next write, within the hour, or when Rung is started after an upgrade.
 *
 * @implements CastsAttributes<CaseSnapshot, CaseSnapshot>
 */
final class KeptSnapshot implements CastsAttributes
{
    /** @param array<string, mixed> $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?CaseSnapshot
    {
        try {
            return is_string($value) ? CaseSnapshot::fromJson($value) : null;
        } catch (InvalidInput) {
            return null;
        }
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        if ($value !== null && !($value instanceof CaseSnapshot)) {
            throw new InvalidArgumentException("$key takes a CaseSnapshot");
        }

        return $value === null ? null : json_encode($value->toArray(), JSON_THROW_ON_ERROR);
    }
}
