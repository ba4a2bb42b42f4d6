<?php

declare(strict_types=1);

namespace Rung\Core\Input;

use BackedEnum;

/** The fields of an {@see ObjectNode} whose values are names out of a list. */
trait ReadsChoices
{
    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     */
    public function choice(string $field, string $enum): BackedEnum
    {
        $choice = $this->required($field) ? $this->choiceOrNull($field, $enum) : null;

        return $choice ?? $enum::cases()[0];
    }

    /**
     * The field that decides which others the object has. Where it is missing or wrong, that is
     * the only fault reported, and the other fields are not looked at.
     *
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T|null
     */
    public function discriminator(string $field, string $enum): ?BackedEnum
    {
        $choice = $this->required($field) ? $this->choiceOrNull($field, $enum) : null;
        if ($choice === null) {
            foreach ($this->fields as $name => $_) {
                $this->asked[(string) $name] = true;
            }
        }

        return $choice;
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T|null
     */
    public function choiceOrNull(string $field, string $enum): ?BackedEnum
    {
        $value = $this->take($field);

        return $value === null ? null : $this->chosen($value, $field, $enum);
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return list<T>|null
     */
    public function choicesOrNull(string $field, string $enum): ?array
    {
        $choices = [];
        foreach ($this->items($field) ?? [] as $i => $value) {
            $choice = $this->chosen($value, $field . '/' . $i, $enum);
            if ($choice !== null) {
                $choices[] = $choice;
            }
        }

        return $this->has($field) ? $choices : null;
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T|null
     */
    private function chosen(mixed $value, string $path, string $enum): ?BackedEnum
    {
        $choice = is_string($value) ? $enum::tryFrom($value) : null;
        if ($choice === null) {
            $names = array_map(static fn(BackedEnum $case): string => (string) $case->value, $enum::cases());
            $this->inItem($path, 'must be one of ' . implode(', ', $names));
        }

        return $choice;
    }
}
