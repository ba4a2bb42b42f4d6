<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\SheetEntry;
use App\Models\CareCase;
use App\Models\Import;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Rung\Core\Table\DateForm;
use Rung\Core\Table\SheetField;
use Rung\Core\Table\SheetMatch;

/** A sheet before it is taken in, and those that were. */
final class SheetPage
{
    /**
     * @param list<SheetEntry> $entries
     *
     * @return array<string, mixed>
     */
    public static function present(SheetMatch $match, array $entries): array
    {
        return [
            'columns' => $match->sheet->columns,
            'fields' => array_map(
                static fn(SheetField $field): array => [
                    'key' => $field->key,
                    'title' => $field->title,
                    'required' => $field->required,
                    'column' => $match->columns[$field->key] ?? null,
                ],
                $match->kind->fields(),
            ),
            'missing' => array_map(static fn(SheetField $field): string => $field->title, $match->missing()),
            'dates' => $match->dates?->value,
            'date_forms' => array_map(static fn(DateForm $dateForm): string => $dateForm->value, $match->fitting()),
            'entries' => array_map(
                static fn(SheetEntry $entry): array => [
                    'line' => $entry->lines[0],
                    'words' => $entry->words,
                    'fault' => $entry->fault,
                    'there' => $entry->isThere,
                ],
                $entries,
            ),
            'new' => count(
                array_filter(
                    $entries,
                    static fn(SheetEntry $entry): bool => $entry->fault === null && !$entry->isThere,
                ),
            ),
            'faulty' => count(array_filter($entries, static fn(SheetEntry $entry): bool => $entry->fault !== null)),
        ];
    }

    /** The newest first. */
    public static function imports(CareCase $case): AnonymousResourceCollection
    {
        return ImportResource::collection(
            Import::query()->where('case_id', $case->id)->with('user')->orderByDesc('at')->get(),
        );
    }
}
