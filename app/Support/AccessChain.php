<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The links between the lines of the record of who saw what (docs/operations.md, "The record of who saw what"). The
 * database makes them; here they are checked.
 */
final class AccessChain
{
    private const TOLD = 10;

    /** @return array{number: int, hash: string}|null the newest link of a practice: whoever keeps it elsewhere sees later whether lines were taken from the end */
    public function newest(string $practice): ?array
    {
        $row = DB::selectOne(
            'select number, hash from access_log_links where practice_id = ? order by number desc limit 1',
            [$practice],
        );

        return $row instanceof stdClass && is_int($row->number) && is_string($row->hash)
            ? ['number' => $row->number, 'hash' => $row->hash]
            : null;
    }

    /** Whether a link that was kept elsewhere is still there as it was. */
    public function holds(string $practice, int $number, string $hash): bool
    {
        return DB::selectOne(
            'select 1 as found from access_log_links where practice_id = ? and number = ? and hash = ?',
            [$practice, $number, $hash],
        ) !== null;
    }

    /** @return list<string> what is wrong, at most ten; empty where every line stands as it was written */
    public function faults(string $practice): array
    {
        $rows = DB::select(
            <<<'SQL'
            select * from (
                select l.number, l.entry, e.id as found, row_number() over w as place,
                    l.hash <> access_log_hash(coalesce(lag(l.hash) over w, ''), l.number, e) as changed
                from access_log_links l left join access_log e on e.id = l.entry
                where l.practice_id = ? window w as (order by l.number)
            ) checked where found is null or changed or number <> place order by number limit ?
            SQL
            ,
            [$practice, self::TOLD],
        );
        $faults = array_map(
            static fn(mixed $row): string => $row instanceof stdClass
                ? match (true) {
                    $row->found === null => 'line ' . self::number($row->number) . ' was taken away',
                    $row->number !== $row->place => 'a link before line ' .
                        self::number($row->number) .
                        ' was taken away',
                    default => 'line ' . self::number($row->number) . ' was changed',
                }
                : '',
            $rows,
        );
        $loose = DB::selectOne(
            'select count(*) as n from access_log e where e.practice_id = ? and not exists (select 1 from access_log_links l where l.entry = e.id)',
            [$practice],
        );
        if ($loose instanceof stdClass && $loose->n !== 0) {
            $faults[] = self::number($loose->n) . " lines have no link: they were written past the database's own rule";
        }

        return array_values($faults);
    }

    private static function number(mixed $value): string
    {
        return is_int($value) ? (string) $value : '';
    }
}
