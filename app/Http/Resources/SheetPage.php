<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\SheetEntry;
use App\Models\CareCase;
use App\Models\Import;
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
    public static function of(SheetMatch $match, array $entries): array
    {
        return [
            'columns' => $match->sheet->columns,
            'fields' => array_map(static fn(SheetField $one): array => ['key' => $one->key, 'title' => $one->title, 'required' => $one->required, 'column' => $match->columns[$one->key] ?? null], $match->kind->fields()),
            'missing' => array_map(static fn(SheetField $one): string => $one->title, $match->missing()),
            'dates' => $match->dates?->value,
            'date_forms' => array_map(static fn(DateForm $one): string => $one->value, $match->fitting()),
            'entries' => array_map(static fn(SheetEntry $one): array => ['line' => $one->lines[0], 'words' => $one->words, 'fault' => $one->fault, 'there' => $one->isThere], $entries),
            'new' => count(array_filter($entries, static fn(SheetEntry $one): bool => $one->fault === null && !$one->isThere)),
            'faulty' => count(array_filter($entries, static fn(SheetEntry $one): bool => $one->fault !== null)),
        ];
    }

    /** @return list<array<string, mixed>> the newest first */
    public static function imports(CareCase $case): array
    {
        $zone = $case->practice->timezone;

        return array_values(Import::query()->where('case_id', $case->id)->with('user')->orderByDesc('at')->get()->map(static fn(Import $one): array => [
            'id' => $one->id, 'kind' => $one->kind->value, 'entries' => $one->entries, 'by' => $one->user->name, 'at' => $one->at->setTimezone($zone)->toIso8601String(),
            'taken_back_at' => $one->taken_back_at?->setTimezone($zone)->toIso8601String(),
        ])->all());
    }
}
