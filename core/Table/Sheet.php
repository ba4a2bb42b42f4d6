<?php

declare(strict_types=1);

namespace Rung\Core\Table;

use Rung\Core\Input\InvalidInput;

/** A table as a spreadsheet writes it as text: names of columns, and rows under them (docs/formats/tables.md). */
final readonly class Sheet
{
    public const MOST_ROWS = 1000;

    public const MOST_COLUMNS = 40;

    private const LONGEST_CELL = 2000;

    /**
     * @param list<string> $columns
     * @param array<int, list<string>> $rows by their line in the text, counted from 1; empty lines are left out
     */
    private function __construct(public array $columns, public array $rows) {}

    /** @throws InvalidInput at /text, in words for whoever chose the file */
    public static function read(string $text): self
    {
        if (!mb_check_encoding($text, 'UTF-8') || str_contains($text, "\0")) {
            throw InvalidInput::at('/text', 'is not UTF-8: save the sheet as “CSV UTF-8” and choose it again');
        }
        $text = str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
        $separator = self::separator(strtok($text, "\r\n") ?: '');
        $columns = null;
        $rows = [];
        foreach (self::records($text) as $line => $record) {
            $cells = array_map(
                static fn(?string $cell): string => trim($cell ?? ''),
                str_getcsv($record, $separator, '"', ''),
            );
            if (implode('', $cells) === '') {
                continue;
            }
            if ($columns === null) {
                $columns = $cells;
                continue;
            }
            self::check($cells, $line, count($rows));
            $rows[$line] = array_pad(array_slice($cells, 0, count($columns)), count($columns), '');
        }
        if ($columns === null || $rows === []) {
            throw InvalidInput::at(
                '/text',
                'must hold a line with the names of the columns, and a line for each entry under it',
            );
        }
        if (count($columns) > self::MOST_COLUMNS) {
            throw InvalidInput::at(
                '/text',
                'has more than ' . self::MOST_COLUMNS . ' columns: leave out those that are not needed',
            );
        }

        return new self($columns, $rows);
    }

    /** @return list<string> what stands in a column, without what is empty */
    public function cells(int $column): array
    {
        return array_values(
            array_filter(array_column($this->rows, $column), static fn(string $cell): bool => $cell !== ''),
        );
    }

    /**
     * @param list<string> $cells
     *
     * @throws InvalidInput
     */
    private static function check(array $cells, int $line, int $before): void
    {
        if ($before >= self::MOST_ROWS) {
            throw InvalidInput::at('/text', 'has more than ' . self::MOST_ROWS . ' rows: take it in in parts');
        }
        foreach ($cells as $cell) {
            if (mb_strlen($cell) > self::LONGEST_CELL) {
                throw InvalidInput::at(
                    '/text',
                    'has a cell of more than ' . self::LONGEST_CELL . " letters in line $line: shorten it",
                );
            }
        }
    }

    /** @return array<int, string> by the line on which each begins; a cell in quotes may go on over several lines */
    private static function records(string $text): array
    {
        $records = [];
        $begun = 1;
        $isOpen = false;
        foreach (preg_split('/\r\n|\n|\r/', $text) ?: [] as $i => $line) {
            $begun = $isOpen ? $begun : $i + 1;
            $records[$begun][] = $line;
            $isOpen = $isOpen !== (substr_count($line, '"') % 2 === 1);
        }

        return array_map(static fn(array $lines): string => implode("\n", $lines), $records);
    }

    /** What parts the columns is what stands most often between the names. */
    private static function separator(string $head): string
    {
        $found = ',';
        foreach ([';', "\t"] as $separator) {
            $found = substr_count($head, $separator) > substr_count($head, $found) ? $separator : $found;
        }

        return $found;
    }
}
