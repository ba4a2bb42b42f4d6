<?php

declare(strict_types=1);

namespace App\Support;

/** Rows of a table as text by RFC 4180, in UTF-8. */
final class Csv
{
    /**
     * @param resource $to
     * @param list<mixed> $cells text, numbers or null
     */
    public static function write($to, array $cells): void
    {
        fputcsv($to, array_map(self::harmless(...), $cells), eol: "\r\n", escape: '');
    }

    /** A text that a spreadsheet would take for a formula is written as a text. */
    private static function harmless(mixed $cell): string
    {
        $text = is_scalar($cell) ? (string) $cell : '';

        return $text !== '' && !is_numeric($text) && str_contains("=+-@\t\r", $text[0]) ? "'$text" : $text;
    }
}
