<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;
use Symfony\Component\HttpFoundation\StreamedResponse;

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

    /**
     * A table that is sent row by row.
     *
     * @param list<string> $columns
     * @param callable(): iterable<list<mixed>> $rows
     */
    public static function download(string $name, array $columns, string $practice, callable $rows): StreamedResponse
    {
        // It is sent after the request was left, so it enters the practice again.
        return new StreamedResponse(
            static fn() => app(CurrentPractice::class)->during($practice, static function () use (
                $columns,
                $rows,
            ): bool {
                $to = fopen('php://output', 'wb') ?: throw new RuntimeException('no output');
                self::write($to, $columns);
                foreach ($rows() as $row) {
                    self::write($to, $row);
                }

                return fclose($to);
            }),
            200,
            [
                'Content-Type' => 'text/csv; charset=utf-8',
                'Content-Disposition' => "attachment; filename=\"rung-$name.csv\"",
                'Cache-Control' => 'no-store, private',
            ],
        );
    }

    /** A text that a spreadsheet would take for a formula is written as a text. */
    private static function harmless(mixed $cell): string
    {
        $text = is_scalar($cell) ? (string) $cell : '';

        return $text !== '' && !is_numeric($text) && str_contains("=+-@\t\r", $text[0]) ? "'$text" : $text;
    }
}
