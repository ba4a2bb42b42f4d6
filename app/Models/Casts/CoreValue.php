<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Start\SeverityScore;

/**
 * A column that holds a value of the core, read and written by the core's own reader. What it was before, as an undo keeps
 * it, may be set as an array and is read first.
 *
 * @implements CastsAttributes<ResponseRule|SeverityScore, ResponseRule|SeverityScore|array<string, mixed>>
 */
final class CoreValue implements CastsAttributes
{
    /** @param class-string<ResponseRule>|class-string<SeverityScore> $class */
    public function __construct(private readonly string $class) {}

    /** @param array<string, mixed> $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ResponseRule|SeverityScore|null
    {
        return is_string($value) ? $this->read($value) : null;
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        if (is_array($value)) {
            $value = $this->read(json_encode($value, JSON_THROW_ON_ERROR));
        }
        if ($value !== null && !($value instanceof $this->class)) {
            throw new InvalidArgumentException("$key takes a $this->class");
        }

        return $value === null ? null : json_encode($value->toArray(), JSON_THROW_ON_ERROR);
    }

    private function read(string $json): ResponseRule|SeverityScore
    {
        return Json::read($json, fn(ObjectNode $node): ResponseRule|SeverityScore => $this->class::read($node));
    }
}
