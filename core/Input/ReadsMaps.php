<?php

declare(strict_types=1);

namespace Rung\Core\Input;

/** The fields of an {@see ObjectNode} that are lists of numbers, and objects that map names to values. */
trait ReadsMaps
{
    /** @return list<int|float>|null */
    public function numbersOrNull(string $field): ?array
    {
        $numbers = [];
        foreach ($this->items($field) ?? [] as $i => $value) {
            if ((is_int($value) || is_float($value)) && $value >= 0 && $value <= self::LARGEST) {
                $numbers[] = $value;
            } else {
                $this->inItem($field . '/' . $i, 'must be a number, not negative');
            }
        }

        return $this->has($field) ? $numbers : null;
    }

    /** @return array<string, string> every field of an object that maps names to texts */
    public function texts(): array
    {
        $texts = [];
        foreach ($this->fields as $name => $_) {
            $texts[(string) $name] = $this->key((string) $name);
        }

        return $texts;
    }

    /** @return array<string, int|float> every field of an object that maps names to numbers */
    public function numbers(): array
    {
        $numbers = [];
        foreach ($this->fields as $name => $_) {
            $numbers[(string) $name] = $this->number((string) $name);
        }

        return $numbers;
    }
}
