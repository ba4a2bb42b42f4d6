<?php

declare(strict_types=1);

namespace Rung\Core\Table;

use Rung\Core\Input\InvalidInput;

/** Which column says what, and how it writes dates: guessed from the sheet, or as a person chose. */
final readonly class SheetMatch
{
    /** @param array<string, int> $columns by field */
    private function __construct(
        public Sheet $sheet,
        public SheetKind $kind,
        public array $columns,
        public ?DateForm $dates,
    ) {}

    /**
     * @param array<string, int|null>|null $columns as a person chose; null: guessed
     *
     * @throws InvalidInput
     */
    public static function match(Sheet $sheet, SheetKind $kind, ?array $columns = null, ?DateForm $dates = null): self
    {
        $chosen = [];
        foreach ($kind->fields() as $field) {
            $column =
                $columns === null
                    ? $field->columnIn($sheet->columns, array_values($chosen))
                    : $columns[$field->key] ?? null;
            if ($column !== null && !isset($sheet->columns[$column])) {
                throw InvalidInput::at(
                    "/columns/$field->key",
                    'names a column that the sheet does not have; choose another',
                );
            }
            if ($column !== null) {
                $chosen[$field->key] = $column;
            }
        }
        $fitting = isset($chosen['on']) ? DateForm::fitting($sheet->cells($chosen['on'])) : [];

        return new self($sheet, $kind, $chosen, $dates ?? ($fitting[0] ?? null));
    }

    /** @return list<DateForm> in which every day of the sheet makes sense */
    public function fitting(): array
    {
        return isset($this->columns['on']) ? DateForm::fitting($this->sheet->cells($this->columns['on'])) : [];
    }

    /** @return list<SheetField> that are needed and not matched yet */
    public function missing(): array
    {
        return array_values(
            array_filter(
                $this->kind->fields(),
                fn(SheetField $field): bool => $field->required && !isset($this->columns[$field->key]),
            ),
        );
    }

    /** @return array<int, SheetRow> by their line */
    public function rows(): array
    {
        $rows = [];
        foreach ($this->sheet->rows as $line => $cells) {
            $rows[$line] = new SheetRow(
                array_map(static fn(int $column): string => $cells[$column] ?? '', $this->columns),
                $this->dates,
            );
        }

        return $rows;
    }
}
