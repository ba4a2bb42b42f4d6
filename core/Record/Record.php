<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use BackedEnum;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/** Writes a record as it stands in a case file: empty fields left out, values in their JSON form. */
final class Record
{
    /**
     * @param array<string, mixed> $fields
     *
     * @return array<string, mixed>
     */
    public static function withoutNulls(array $fields): array
    {
        return array_filter($fields, static fn(mixed $value): bool => $value !== null);
    }

    /** @return array<string, mixed> */
    public static function toArray(object $record): array
    {
        $fields = [];
        foreach (get_object_vars($record) as $name => $value) {
            $fields[(string) $name] = self::json($value);
        }

        return self::withoutNulls($fields);
    }

    /**
     * @param list<object> $records
     *
     * @return list<array<string, mixed>>
     */
    public static function each(array $records): array
    {
        return array_map(self::toArray(...), $records);
    }

    private static function json(mixed $value): mixed
    {
        return match (true) {
            $value instanceof BackedEnum => $value->value,
            $value instanceof Moment => $value->toIso(),
            $value instanceof Day => $value->toIso(),
            is_array($value) => array_map(self::json(...), $value),
            is_object($value) => (object) self::toArray($value),
            default => $value,
        };
    }
}
