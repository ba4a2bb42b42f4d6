<?php

declare(strict_types=1);

namespace Rung\Core\HealthRecord;

use Rung\Core\Input\InvalidInput;

/**
 * Writes fields that FHIR has no place for as extensions, and reads them again: a value for each field, extensions within
 * for what holds fields, and `item` for each member of a list (docs/formats/fhir.md, "Extensions").
 */
final class Fields
{
    private const ITEM = 'item';

    /** FHIR has no empty text and no empty list; a code stands for them. */
    private const EMPTY_TEXT = 'empty-text';

    private const EMPTY_LIST = 'empty-list';

    private const EMPTY_FIELDS = 'empty-fields';

    /** @return array<string, mixed> an Extension */
    public static function write(string $url, mixed $value): array
    {
        return ['url' => $url] +
            match (true) {
                is_bool($value) => ['valueBoolean' => $value],
                is_int($value) => ['valueInteger' => $value],
                is_float($value) => ['valueDecimal' => $value],
                $value === '' => ['valueCode' => self::EMPTY_TEXT],
                is_string($value) => ['valueString' => $value],
                $value === [] => ['valueCode' => self::EMPTY_LIST],
                is_array($value) && array_is_list($value) => [
                    'extension' => array_map(static fn(mixed $item): array => self::write(self::ITEM, $item), $value),
                ],
                default => self::fields((array) $value),
            };
    }

    /**
     * @param array<mixed> $extension
     *
     * @throws InvalidInput where it is none of ours
     */
    public static function read(array $extension, string $path): mixed
    {
        $inner = $extension['extension'] ?? null;
        if (is_array($inner)) {
            $values = [];
            foreach (array_values($inner) as $i => $field) {
                $url = is_array($field) ? $field['url'] ?? null : null;
                if (!is_array($field) || !is_string($url)) {
                    throw InvalidInput::at("$path/extension/$i", 'must be an extension with a url');
                }
                $value = self::read($field, "$path/extension/$i");
                $url === self::ITEM ? ($values[] = $value) : ($values[$url] = $value);
            }

            return $values;
        }
        foreach (['valueBoolean', 'valueInteger', 'valueDecimal', 'valueString'] as $type) {
            if (array_key_exists($type, $extension)) {
                return $extension[$type];
            }
        }

        return match ($extension['valueCode'] ?? null) {
            self::EMPTY_TEXT => '',
            self::EMPTY_LIST => [],
            self::EMPTY_FIELDS => (object) [],
            default => throw InvalidInput::at($path, 'must hold a value or extensions within'),
        };
    }

    /**
     * @param array<mixed> $fields
     *
     * @return array<string, mixed>
     */
    private static function fields(array $fields): array
    {
        return $fields === []
            ? ['valueCode' => self::EMPTY_FIELDS]
            : [
                'extension' => array_map(
                    self::write(...),
                    array_map(strval(...), array_keys($fields)),
                    array_values($fields),
                ),
            ];
    }
}
