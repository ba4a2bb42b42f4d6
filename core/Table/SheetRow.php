<?php

declare(strict_types=1);

namespace Rung\Core\Table;

use Rung\Core\Time\Day;

/** A row of a sheet, read field by field. A fault is described in words and quotes what the row says. */
final class SheetRow
{
    /** @var list<string> */
    private array $faults = [];

    /** @param array<string, string> $cells by field */
    public function __construct(private readonly array $cells, private readonly ?DateForm $dates) {}

    public function text(string $field): ?string
    {
        $text = trim($this->cells[$field] ?? '');

        return $text === '' ? null : $text;
    }

    public function day(string $field): ?Day
    {
        $text = $this->text($field);
        $day = $text === null ? null : $this->dates?->day($text);
        if ($day === null) {
            $this->fault($text === null ? 'the day is missing' : "“{$text}” is no date that can be read");
        }

        return $day;
    }

    /** A number with a point or a comma, with or without its unit behind it. */
    public function number(
        string $field,
        string $name,
        int|float $min,
        int|float $max,
        bool $isNeeded = false,
    ): int|float|null {
        $text = $this->text($field);
        if ($text === null) {
            if ($isNeeded) {
                $this->fault("$name is missing");
            }

            return null;
        }
        if (preg_match('/^(-?\d+(?:[.,]\d+)?)\s*(?:kg|min|s|n|cm|°|%|h)?$/iu', $text, $part) !== 1) {
            $this->fault("$name: “{$text}” is no number");

            return null;
        }
        $number = (float) str_replace(',', '.', $part[1]);
        $number = floor($number) === $number ? (int) $number : $number;
        if ($number < $min || $number > $max) {
            $this->fault("$name must be from $min to $max, and is $text");

            return null;
        }

        return $number;
    }

    public function whole(string $field, string $name, int $min, int $max, bool $isNeeded = false): ?int
    {
        $number = $this->number($field, $name, $min, $max, $isNeeded);
        if ($number !== null && floor($number) != $number) {
            $this->fault("$name must be a whole number, and is {$this->text($field)}");

            return null;
        }

        return $number === null ? null : (int) $number;
    }

    public function fault(string $words): void
    {
        $this->faults[] = $words;
    }

    /** Null where nothing is wrong. */
    public function faults(): ?string
    {
        return $this->faults === [] ? null : ucfirst(implode('; ', $this->faults)) . '.';
    }
}
