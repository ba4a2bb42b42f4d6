<?php

declare(strict_types=1);

namespace Rung\Core\Input;

use stdClass;

/**
 * One JSON object being read. Each method takes a field by name and its bounds; a fault is noted
 * at the field's path and a harmless stand-in is returned, so that reading goes on and every
 * fault is found in one pass. Fields that nobody asked for are faults too. What was read from a
 * faulty input is thrown away by {@see Json::read()}.
 */
final class ObjectNode
{
    use ReadsChoices;
    use ReadsDates;
    use ReadsMaps;

    /** No number in the formats is larger: sums and products stay far from overflow. */
    public const LARGEST = 1_000_000_000;

    /** @var array<string, true> */
    private array $asked = [];

    /** @param array<array-key, mixed> $fields */
    public function __construct(
        private readonly array $fields,
        private readonly ?Faults $faults,
        private readonly ?self $parent,
        private readonly string $step,
    ) {}

    /**
     * @template T
     *
     * @param callable(self): T $read
     *
     * @return T
     */
    public function readWith(callable $read): mixed
    {
        $result = $read($this);
        foreach ($this->fields as $name => $_) {
            if (!isset($this->asked[$name])) {
                $this->faults?->add(
                    $this->path() . '/' . self::escaped((string) $name),
                    'is not a known field; remove it',
                );
            }
        }

        return $result;
    }

    public function hasText(string $field): bool
    {
        return is_string($this->fields[$field] ?? null);
    }

    /** As it was read, for what looks across its parts. */
    public function raw(): stdClass
    {
        return (object) $this->fields;
    }

    public function isEmptyList(string $field): bool
    {
        return ($this->fields[$field] ?? null) === [];
    }

    /** Says that a field belongs here though it is not read this time. */
    public function known(string $field): void
    {
        $this->asked[$field] = true;
    }

    public function path(string $field = ''): string
    {
        $own = $this->parent === null ? $this->step : $this->parent->path() . $this->step;

        return $field === '' && $own === '' ? '' : ($field === '' ? $own : $own . '/' . self::escaped($field));
    }

    public function fault(string $field, string $message): void
    {
        $this->faults?->add($this->path($field), $message);
    }

    /** A fault of the object itself. */
    public function faultHere(string $message): void
    {
        $this->faults?->add($this->path(), $message);
    }

    /** Whether a fault was noted at the field itself. */
    public function isFaulty(string $field): bool
    {
        return $this->faults?->isAt($this->path($field)) ?? false;
    }

    /** The same at a path below this object, which is escaped already. */
    public function isFaultyAt(string $path): bool
    {
        return $this->faults?->isAt($this->path() . '/' . $path) ?? false;
    }

    /** Whether the field stands there, be it null. */
    public function holds(string $field): bool
    {
        return array_key_exists($field, $this->fields);
    }

    /** Whether a field of an object that is a field of this one is there and without a fault. */
    public function isSound(string $field, string $inner): bool
    {
        $value = $this->fields[$field] ?? null;

        return $value instanceof stdClass &&
            isset($value->{$inner}) &&
            $this->faults?->isAt($this->path($field) . '/' . self::escaped($inner)) !== true;
    }

    /** Whether the field is there and not null. */
    public function has(string $field): bool
    {
        return isset($this->fields[$field]);
    }

    public function text(string $field): string
    {
        return $this->required($field) ? $this->textOrNull($field) ?? '' : '';
    }

    /** An id or key: a text that is not empty. */
    public function key(string $field): string
    {
        $key = $this->text($field);
        if ($key === '' && $this->has($field) && is_string($this->fields[$field])) {
            $this->fault($field, 'must not be empty');
        }

        return $key;
    }

    public function textOrNull(string $field): ?string
    {
        $value = $this->take($field);
        if ($value === null || is_string($value)) {
            return $value;
        }

        return $this->wrong($field, 'must be a text');
    }

    public function flagOrNull(string $field): ?bool
    {
        $value = $this->take($field);
        if ($value === null || is_bool($value)) {
            return $value;
        }

        return $this->wrong($field, 'must be true or false');
    }

    public function flag(string $field): bool
    {
        return $this->required($field) && ($this->flagOrNull($field) ?? false);
    }

    public function whole(string $field, int $min = 0, int $max = self::LARGEST): int
    {
        return $this->required($field) ? $this->wholeOrNull($field, $min, $max) ?? $min : $min;
    }

    public function wholeOrNull(string $field, int $min = 0, int $max = self::LARGEST): ?int
    {
        $value = $this->take($field);
        if ($value === null) {
            return null;
        }
        if (!is_int($value) && !is_float($value)) {
            return $this->wrong($field, 'must be a whole number');
        }
        if ($value < $min || $value > $max) {
            return $this->wrong($field, self::bounds($min, $max, $value));
        }
        if (is_float($value) && floor($value) !== $value) {
            return $this->wrong($field, 'must be a whole number');
        }

        return (int) $value;
    }

    public function number(string $field, int $min = 0, int $max = self::LARGEST): int|float
    {
        return $this->required($field) ? $this->numberOrNull($field, $min, $max) ?? $min : $min;
    }

    public function numberOrNull(string $field, int $min = 0, int $max = self::LARGEST): int|float|null
    {
        $value = $this->take($field);
        if ($value === null) {
            return null;
        }
        if (!is_int($value) && !is_float($value)) {
            return $this->wrong($field, 'must be a number');
        }
        if ($value < $min || $value > $max) {
            return $this->wrong($field, self::bounds($min, $max, $value));
        }

        return $value;
    }

    /** Over zero. */
    public function positive(string $field): int|float
    {
        $value = $this->number($field);
        if ($value <= 0 && $this->has($field) && is_numeric($this->fields[$field]) && $this->fields[$field] >= 0) {
            $this->fault($field, 'must be over 0');
        }

        return $value > 0 ? $value : 1;
    }

    /** @return list<string>|null */
    public function textsOrNull(string $field): ?array
    {
        $texts = [];
        foreach ($this->items($field) ?? [] as $i => $value) {
            if (is_string($value)) {
                $texts[] = $value;
            } else {
                $this->inItem($field . '/' . $i, 'must be a text');
            }
        }

        return $this->has($field) ? $texts : null;
    }

    /**
     * A long list of numbers, such as the samples of a curve: it stops at the first fault, and is null then.
     *
     * @return list<int|float>|null
     */
    public function series(string $field, int $most, int $min = 0, int $max = self::LARGEST): ?array
    {
        $items = $this->required($field) ? $this->items($field) : null;
        if ($items === null) {
            return null;
        }
        if (count($items) > $most) {
            $this->fault($field, "must hold at most $most numbers; it holds " . count($items));

            return null;
        }
        foreach ($items as $i => $value) {
            if (!is_int($value) && !is_float($value)) {
                $this->inItem("$field/$i", 'must be a number');

                return null;
            }
            if ($value < $min || $value > $max) {
                $this->inItem("$field/$i", "must be from $min to $max");

                return null;
            }
        }

        /** @var list<int|float> $items */
        return $items;
    }

    /**
     * @template T
     *
     * @param callable(self): T $read
     *
     * @return T
     */
    public function child(string $field, callable $read): mixed
    {
        $child = $this->required($field) ? $this->childOrNull($field, $read) : null;

        return $child ?? $this->standIn($read);
    }

    /**
     * @template T
     *
     * @param callable(self): T $read
     *
     * @return T|null
     */
    public function childOrNull(string $field, callable $read): mixed
    {
        $value = $this->take($field);

        return $value === null ? null : $this->objectAt($value, $field, $read);
    }

    /**
     * @template T
     *
     * @param callable(self): T $read
     *
     * @return list<T>
     */
    public function each(string $field, callable $read): array
    {
        return $this->required($field) ? $this->eachOrEmpty($field, $read) : [];
    }

    /**
     * @template T
     *
     * @param callable(self): T $read
     *
     * @return list<T>
     */
    public function eachOrEmpty(string $field, callable $read): array
    {
        $list = [];
        foreach ($this->items($field) ?? [] as $i => $value) {
            $list[] = $this->objectAt($value, $field . '/' . $i, $read);
        }

        return $list;
    }

    /**
     * Notes a fault at the second and every later item of a list whose `$key` was there before.
     *
     * @param list<string> $keys
     */
    public function unique(string $list, string $key, array $keys): void
    {
        $seen = [];
        foreach ($keys as $i => $value) {
            if ($value !== '' && isset($seen[$value])) {
                $this->inItem("$list/$i/$key", 'is there twice; every one must be different');
            }
            $seen[$value] = true;
        }
    }

    /** A fault somewhere below this object, at a path that is escaped already. */
    public function inItem(string $path, string $message): void
    {
        $this->faults?->add($this->path() . '/' . $path, $message);
    }

    private function take(string $field): mixed
    {
        $this->asked[$field] = true;

        return $this->fields[$field] ?? null;
    }

    public function required(string $field): bool
    {
        $this->asked[$field] = true;
        if (isset($this->fields[$field])) {
            return true;
        }
        $this->fault($field, array_key_exists($field, $this->fields) ? 'must not be null' : 'is missing');

        return false;
    }

    /** @return list<mixed>|null */
    private function items(string $field): ?array
    {
        $value = $this->take($field);
        if ($value === null || (is_array($value) && array_is_list($value))) {
            return $value;
        }

        return $this->wrong($field, 'must be a list');
    }

    /**
     * @template T
     *
     * @param callable(self): T $read
     *
     * @return T
     */
    private function objectAt(mixed $value, string $step, callable $read): mixed
    {
        if (!($value instanceof stdClass)) {
            $this->inItem($step, 'must be an object');

            return $this->standIn($read);
        }

        return (new self(get_object_vars($value), $this->faults, $this, '/' . $step))->readWith($read);
    }

    /**
     * @template T
     *
     * @param callable(self): T $read
     *
     * @return T
     */
    private function standIn(callable $read): mixed
    {
        return (new self([], null, null, ''))->readWith($read);
    }

    private function wrong(string $field, string $message): null
    {
        $this->fault($field, $message);

        return null;
    }

    private static function bounds(int $min, int $max, int|float $value): string
    {
        return match (true) {
            $max !== self::LARGEST => "must be from $min to $max",
            $value > $max => "must be at most $max",
            default => "must be $min or more" . ($min === 0 ? ', not negative' : ''),
        };
    }

    private static function escaped(string $step): string
    {
        return strtr($step, ['~' => '~0', '/' => '~1']);
    }
}
