<?php

declare(strict_types=1);

namespace Rung\Core\Input;

use stdClass;

/** Looks across an input as it was read: which names its lists carry, and what stands at a path. */
final readonly class Names
{
    public function __construct(private stdClass $root) {}

    /**
     * The names that the objects of a list carry. Null where the list or one of them is at fault, so
     * that a fault is reported once and not at every mention; none where an optional list is absent.
     *
     * @return array<string, true>|null
     */
    public function in(string $list, string $key, bool $optional = true): ?array
    {
        return self::lookUp($this->root->{$list} ?? ($optional ? [] : null), $key);
    }

    /**
     * The names in the lists that the objects of a list hold; null where any of them is at fault.
     *
     * @return array<string, true>|null
     */
    public function within(string $list, string $inner, string $key): ?array
    {
        $names = [];
        $outer = $this->root->{$list} ?? null;
        foreach (is_array($outer) ? $outer : [null] as $object) {
            $found = $object instanceof stdClass ? self::lookUp($object->{$inner} ?? null, $key) : null;
            if ($found === null) {
                return null;
            }
            $names += $found;
        }

        return $names;
    }

    /** What stands at a path of plain steps, null where nothing does. */
    public function at(string $path): mixed
    {
        $value = $this->root;
        foreach (explode('/', $path) as $step) {
            $value = match (true) {
                is_array($value) => $value[(int) $step] ?? null,
                $value instanceof stdClass => $value->{$step} ?? null,
                default => null,
            };
        }

        return $value;
    }

    /** @return array<string, true>|null */
    private static function lookUp(mixed $list, string $key): ?array
    {
        $names = [];
        foreach (is_array($list) ? $list : [null] as $object) {
            $name = $object instanceof stdClass ? $object->{$key} ?? null : null;
            if (!is_string($name)) {
                return null;
            }
            $names[$name] = true;
        }

        return $names;
    }
}
