<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Query\Builder;

/** Finds cases by what people type: each word stands in the athlete's name, the act or the structure. */
final class CaseSearch
{
    private const MOST_WORDS = 6;

    /** @param string $cases the name under which the query knows the table */
    public static function narrow(Builder $query, string $cases, string $typed): void
    {
        foreach (preg_split('/\s+/', $typed, self::MOST_WORDS, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $query->whereRaw(
                "(select s.name || ' ' || coalesce(s.act, '') from athletes as s where s.id = $cases.athlete_id) || ' ' || $cases.structure_title ilike ?",
                ['%' . addcslashes($word, '%_\\') . '%'],
            );
        }
    }
}
