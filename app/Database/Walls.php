<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What the application's role may do with each table, and the wall between practices. Raised anew after every migration,
 * so that a new table never stands without.
 */
final class Walls
{
    public const ROLE = 'rung_app';

    /** Written once and never changed. */
    public const APPEND_ONLY = ['access_log', 'corrections', 'curves', 'decisions', 'library_items', 'paper_versions', 'plan_versions'];

    /** Laravel's own record of migrations is the owner's. */
    private const HIDDEN = ['migrations'];

    private const OWN = "(%1\$s = (select nullif(nullif(current_setting('rung.practice', true), ''), '*')::uuid)"
        . " or (select current_setting('rung.practice', true)) = '*')";

    public static function raise(): void
    {
        $role = self::ROLE;
        foreach (self::tables() as $table => $practice) {
            DB::statement("revoke all on \"$table\" from $role");
            if (!in_array($table, self::HIDDEN, true)) {
                $may = in_array($table, self::APPEND_ONLY, true) ? 'select, insert' : 'select, insert, update, delete';
                DB::statement("grant $may on \"$table\" to $role");
            }
            if ($practice !== null) {
                $own = sprintf(self::OWN, $practice);
                DB::statement("alter table \"$table\" enable row level security");
                DB::statement("drop policy if exists own_practice on \"$table\"");
                DB::statement("create policy own_practice on \"$table\" to $role using $own with check $own");
            }
        }
        DB::statement("grant usage, select on all sequences in schema public to $role");
    }

    /** @return array<string, string|null> the column that names the practice, null where a table belongs to none */
    private static function tables(): array
    {
        $rows = DB::select(<<<'SQL'
            select c.relname as name,
                case when c.relname = 'practices' then 'id' else (
                    select a.attname from pg_attribute a where a.attrelid = c.oid and a.attname = 'practice_id' and not a.attisdropped
                ) end as practice
            from pg_class c
            where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p')
            order by c.relname
            SQL);
        $tables = [];
        foreach ($rows as $row) {
            if ($row instanceof stdClass && is_string($row->name)) {
                $tables[$row->name] = is_string($row->practice) ? $row->practice : null;
            }
        }

        return $tables;
    }
}
