<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use stdClass;

/**
 * What the application's role may do with each table, and the wall between practices. Raised again after every migration,
 * so that a new table never stands without.
 */
final class Walls
{
    public const ROLE = 'rung_app';

    /** Written once and never changed. */
    public const APPEND_ONLY = [
        'access_log',
        'access_log_links',
        'consents',
        'corrections',
        'curves',
        'decisions',
        'erasures',
        'library_items',
        'paper_versions',
        'plan_versions',
    ];

    /** Laravel's own record of migrations is the owner's. */
    private const HIDDEN = ['migrations'];

    /** Written by the database itself. */
    private const READ_ONLY = ['access_log_links'];

    /** Accounts belong to no practice: those of its people are seen. */
    private const ACCOUNTS = "(select current_setting('rung.practice', true)) = '*' or exists (select 1 from users u where u.account_id = accounts.id)";

    /**
     * Which cases are seen (App\Support\Sight): every one; all but those that are set aside; or those of them that are of
     * certain people, or shared. Where nobody is named, every one. No table is looked at for it, since every question
     * about cases pays for that.
     */
    private const CASES = <<<'SQL'
    (select coalesce(current_setting('rung.sees', true), '')) in ('', 'every')
    or not set_aside and (
        (select current_setting('rung.sees', true)) = 'practice'
        or practitioner_id = any((select current_setting('rung.people', true))::uuid[])
        or id = any((select current_setting('rung.cases', true))::uuid[])
    )
    SQL;

    /** What somebody types of a new case is theirs until it is opened. */
    private const OPENINGS = <<<'SQL'
    (select coalesce(current_setting('rung.sees', true), '')) <> 'own' or practitioner_id = any((select current_setting('rung.people', true))::uuid[])
    SQL;

    private const OWN =
        "(%1\$s = (select nullif(nullif(current_setting('rung.practice', true), ''), '*')::uuid)" .
        " or (select current_setting('rung.practice', true)) = '*')";

    public static function raise(): void
    {
        $role = self::ROLE;
        foreach (self::tables() as $table => $practice) {
            DB::statement("revoke all on \"$table\" from $role");
            if (!in_array($table, self::HIDDEN, true)) {
                $may = match (true) {
                    in_array($table, self::READ_ONLY, true) => 'select',
                    in_array($table, self::APPEND_ONLY, true) => 'select, insert',
                    default => 'select, insert, update, delete',
                };
                DB::statement("grant $may on \"$table\" to $role");
            }
            if ($practice !== null) {
                $own = sprintf(self::OWN, $practice);
                DB::statement("alter table \"$table\" enable row level security");
                DB::statement("drop policy if exists own_practice on \"$table\"");
                DB::statement("create policy own_practice on \"$table\" to $role using $own with check $own");
            }
        }
        self::raiseOn('accounts', 'own_people', self::ACCOUNTS, 'for all');
        self::raiseOn('cases', 'own_cases', self::CASES, 'as restrictive for select');
        self::raiseOn('openings', 'own_openings', self::OPENINGS, 'as restrictive for select');
        if (Schema::hasTable('erasures')) {
            DB::statement("grant execute on function erase_athlete(uuid, text) to $role");
        }
        DB::statement("grant usage, select on all sequences in schema public to $role");
    }

    private static function raiseOn(string $table, string $name, string $who, string $kind): void
    {
        if (!Schema::hasTable($table) || ($table !== 'accounts' && !Schema::hasTable('erasures'))) {
            return;
        }
        DB::statement("alter table $table enable row level security");
        DB::statement("drop policy if exists $name on $table");
        DB::statement("create policy $name on $table $kind to " . self::ROLE . " using ($who)");
    }

    /** @return array<string, string|null> the column that names the practice, null where a table belongs to none */
    private static function tables(): array
    {
        $rows = DB::select(
            <<<'SQL'
            select c.relname as name,
                case when c.relname = 'practices' then 'id' else (
                    select a.attname from pg_attribute a where a.attrelid = c.oid and a.attname = 'practice_id' and not a.attisdropped
                ) end as practice
            from pg_class c
            where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p')
            order by c.relname
            SQL
            ,
        );
        $tables = [];
        foreach ($rows as $row) {
            if ($row instanceof stdClass && is_string($row->name)) {
                $tables[$row->name] = is_string($row->practice) ? $row->practice : null;
            }
        }

        return $tables;
    }
}
