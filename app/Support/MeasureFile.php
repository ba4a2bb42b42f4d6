<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\StrengthTest;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Table\Sheet;

/** The test sheet of a case as a table of text: a row a value, by RFC 4180 in UTF-8 (docs/formats/measures.md). */
final class MeasureFile
{
    public const COLUMNS = ['measure', 'on', 'affected', 'unaffected', 'unit', 'lever_m', 'joint_angle'];

    public const MOST_ROWS = 500;

    /** @param list<Measure> $measures */
    public static function write(CareCase $case, array $measures): string
    {
        $history = MeasureHistory::forCase($case);
        $file = fopen('php://temp', 'r+b') ?: throw new \RuntimeException('no memory for the file');
        Csv::write($file, self::COLUMNS);
        foreach ($measures as $measure) {
            foreach ($history->rows($measure) as $row) {
                $isTest = $row instanceof StrengthTest;
                $details = $row->details ?? [];
                Csv::write($file, [
                    $measure->key,
                    $row->on,
                    $isTest ? $row->affected : $row->score,
                    $isTest ? $row->unaffected : null,
                    $measure->unit,
                    $details['lever_m'] ?? null,
                    $details['joint_angle'] ?? null,
                ]);
            }
        }
        rewind($file);

        return (string) stream_get_contents($file);
    }

    /**
     * The rows as a body of measurements to be read by the core; a score of both sides together has one value.
     *
     * @return list<array<string, mixed>>
     *
     * @throws InvalidInput
     */
    public static function rows(string $csv): array
    {
        try {
            $sheet = Sheet::read($csv);
        } catch (InvalidInput $bad) {
            throw InvalidInput::at('/csv', $bad->faults[0]->message);
        }
        $head = array_map(strtolower(...), $sheet->columns);
        $missing = array_diff(['measure', 'on', 'affected'], $head);
        if ($missing !== []) {
            throw InvalidInput::at(
                '/csv',
                'must begin with a row of column names; missing: ' . implode(', ', $missing),
            );
        }
        $rows = array_map(
            static fn(array $cells): array => self::row(array_combine($head, $cells)),
            array_values($sheet->rows),
        );
        if (count($rows) > self::MOST_ROWS) {
            throw InvalidInput::at(
                '/csv',
                'must hold at most ' . self::MOST_ROWS . ' rows under the column names: take it in in parts',
            );
        }

        return $rows;
    }

    /**
     * @param array<string, string> $cells
     *
     * @return array<string, mixed>
     */
    private static function row(array $cells): array
    {
        $cell = static fn(string $column): ?string => ($text = trim($cells[$column] ?? '')) === '' ? null : $text;
        $number = static function (string $column) use ($cell): int|float|string|null {
            // Spreadsheets of many countries write a comma.
            $text = $cell($column) === null ? null : str_replace(',', '.', (string) $cell($column));

            return $text !== null && is_numeric($text) ? +$text : $text;
        };
        $unit = $cell('unit');
        $try = static fn(int|float|string $value): array => ['value' => $value] +
            ($unit === null ? [] : ['unit' => $unit]);

        return array_filter(
            [
                'measure' => $cell('measure'),
                'on' => $cell('on'),
                'affected' => $number('affected') === null ? null : [$try($number('affected'))],
                'unaffected' => $number('unaffected') === null ? null : [$try($number('unaffected'))],
                'lever_m' => $number('lever_m'),
                'joint_angle' => $cell('joint_angle'),
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
