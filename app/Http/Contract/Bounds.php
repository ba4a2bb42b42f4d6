<?php

declare(strict_types=1);

namespace App\Http\Contract;

use Rung\Core\Input\Fault;
use stdClass;
use Symfony\Component\Yaml\Yaml;

/**
 * The lengths, sizes and ranges that docs/formats/api.yaml states for what is sent, kept where the contract states them:
 * no bound is written twice. What a field means and whether it is there is checked by the core's readers.
 */
final class Bounds
{
    private const METHODS = ['get', 'post', 'put', 'patch', 'delete'];

    /** @var array<string, array<string, array{body: mixed, query: array<string, mixed>}>> */
    private static array $compiled = [];

    /**
     * The bounds of every request, as the settings keep them.
     *
     * @return array<string, array{body: mixed, query: array<string, mixed>}> by method and path, such as `POST /api/cases`
     */
    public static function compile(string $file): array
    {
        return self::$compiled[$file] ??= self::read($file);
    }

    /**
     * @return array<string, array{body: mixed, query: array<string, mixed>}>
     */
    private static function read(string $file): array
    {
        $contract = self::map(Yaml::parseFile($file));
        $bounds = [];
        foreach (self::map($contract['paths'] ?? null) as $path => $operations) {
            foreach (self::METHODS as $method) {
                $operation = self::map(self::map($operations)[$method] ?? null);
                if ($operation === []) {
                    continue;
                }
                $body = self::map(
                    self::map(
                        self::map(self::map($operation['requestBody'] ?? null)['content'] ?? null)[
                            'application/json'
                        ] ?? null,
                    )['schema'] ?? null,
                );
                $query = [];
                foreach (self::map($operation['parameters'] ?? null) as $parameter) {
                    $parameter = self::resolved(self::map($parameter), $contract);
                    if (($parameter['in'] ?? null) === 'query' && is_string($parameter['name'] ?? null)) {
                        $query[$parameter['name']] = self::tree(self::map($parameter['schema'] ?? null), $contract);
                    }
                }
                $bounds[strtoupper($method) . ' ' . $path] = [
                    'body' => self::tree($body, $contract),
                    'query' => $query,
                ];
            }
        }

        return $bounds;
    }

    /**
     * @param mixed $tree of {@see compile()}
     *
     * @return list<Fault>
     */
    public static function faults(mixed $tree, mixed $value, string $path = ''): array
    {
        $tree = self::map($tree);
        if (is_string($value)) {
            $most = $tree['maxLength'] ?? null;

            return is_int($most) && mb_strlen($value) > $most
                ? [new Fault($path, "must not be longer than $most letters")]
                : [];
        }
        if (is_int($value) || is_float($value)) {
            $least = $tree['minimum'] ?? -INF;
            $most = $tree['maximum'] ?? INF;

            return is_numeric($least) && is_numeric($most) && ($value < $least || $value > $most)
                ? [new Fault($path, $least === -INF ? "must be at most $most" : "must be from $least to $most")]
                : [];
        }
        if (is_array($value)) {
            $most = $tree['maxItems'] ?? null;
            if (is_int($most) && count($value) > $most) {
                return [new Fault($path, "must not hold more than $most")];
            }

            return array_merge(
                [],
                ...array_map(
                    static fn(mixed $item, int|string $i): array => self::faults(
                        $tree['items'] ?? null,
                        $item,
                        "$path/$i",
                    ),
                    $value,
                    array_keys($value),
                ),
            );
        }
        if (!($value instanceof stdClass)) {
            return [];
        }
        $fields = get_object_vars($value);
        $most = $tree['maxProperties'] ?? null;
        if (is_int($most) && count($fields) > $most) {
            return [new Fault($path, "must not hold more than $most fields")];
        }
        $known = self::map($tree['properties'] ?? null);

        return array_merge(
            [],
            ...array_map(
                static fn(mixed $field, int|string $name): array => self::faults(
                    $known[$name] ?? ($tree['additional'] ?? null),
                    $field,
                    $path . '/' . strtr((string) $name, ['~' => '~0', '/' => '~1']),
                ),
                $fields,
                array_keys($fields),
            ),
        );
    }

    /**
     * What bounds a schema states, with those of the schemas that it is made of.
     *
     * @param array<array-key, mixed> $schema
     * @param array<array-key, mixed> $contract
     *
     * @return array<string, mixed>
     */
    private static function tree(array $schema, array $contract): array
    {
        $schema = self::resolved($schema, $contract);
        /** @var array<string, mixed> $tree */
        $tree = [];
        foreach (['maxLength', 'minimum', 'maximum', 'maxItems', 'maxProperties'] as $bound) {
            if (isset($schema[$bound])) {
                $tree[$bound] = $schema[$bound];
            }
        }
        $properties = array_map(
            static fn(mixed $property): array => self::tree(self::map($property), $contract),
            self::map($schema['properties'] ?? null),
        );
        if ($properties !== []) {
            $tree['properties'] = $properties;
        }
        if (isset($schema['items'])) {
            $tree['items'] = self::tree(self::map($schema['items']), $contract);
        }
        if (is_array($schema['additionalProperties'] ?? null)) {
            $tree['additional'] = self::tree($schema['additionalProperties'], $contract);
        }
        foreach (['oneOf', 'allOf', 'anyOf'] as $choice) {
            foreach (self::map($schema[$choice] ?? null) as $part) {
                /** @var array<string, mixed> $tree */
                $tree = array_replace_recursive($tree, self::tree(self::map($part), $contract));
            }
        }

        return $tree;
    }

    /**
     * @param array<array-key, mixed> $schema
     * @param array<array-key, mixed> $contract
     *
     * @return array<array-key, mixed>
     */
    private static function resolved(array $schema, array $contract): array
    {
        while (is_string($schema['$ref'] ?? null)) {
            $found = $contract;
            foreach (explode('/', substr($schema['$ref'], 2)) as $step) {
                $found = self::map($found[$step] ?? null);
            }
            $schema = $found;
        }

        return $schema;
    }

    /** @return array<array-key, mixed> */
    private static function map(mixed $value): array
    {
        return is_array($value) ? $value : [];
    }
}
