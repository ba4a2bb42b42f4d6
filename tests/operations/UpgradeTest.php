<?php

declare(strict_types=1);

namespace Tests\Operations;

use PDO;

/** A database that was filled under the first version goes through every migration since, and loses nothing. */
final class UpgradeTest extends TestCase
{
    private const DATABASE = 'rung_upgrade';

    private const FIRST = [
        '2026_11_01_000001_create_platform_tables',
        '2026_11_01_000002_create_practice_tables',
        '2026_11_01_000003_create_case_tables',
    ];

    private const PRACTICE = '00000000-0000-4000-8000-00000000000a';

    private const ATHLETE = '00000000-0000-4000-8000-00000000000b';

    private const CASE = '00000000-0000-4000-8000-00000000000c';

    private string $folder = '';

    protected function setUp(): void
    {
        $this->folder = (string) tempnam(sys_get_temp_dir(), 'rung-upgrade');
        unlink($this->folder);
        mkdir("$this->folder/framework/views", 0700, true);
        $admin = self::connect('rung', 'DB_ADMIN_PASSWORD', 'postgres');
        $admin->exec('drop database if exists ' . self::DATABASE . ' with (force)');
        $admin->exec('create database ' . self::DATABASE . ' owner rung_owner');
        self::connect('rung', 'DB_ADMIN_PASSWORD')->exec(
            'alter schema public owner to rung_owner; revoke all on schema public from public; grant usage on schema public to rung_app',
        );
    }

    protected function tearDown(): void
    {
        self::connect('rung', 'DB_ADMIN_PASSWORD', 'postgres')->exec(
            'drop database if exists ' . self::DATABASE . ' with (force)',
        );
        self::shell('rm -rf', [$this->folder]);
    }

    public function testWhatWasStoredUnderTheFirstVersionIsThereUnderThisOne(): void
    {
        foreach (self::FIRST as $migration) {
            $this->migrate("--path=database/migrations/$migration.php");
        }
        $owner = self::connect('rung_owner', 'DB_OWNER_PASSWORD');
        self::fill($owner);
        $before = self::counts($owner);
        $this->migrate();
        self::assertStringContainsString(
            'Nothing to migrate',
            $this->migrate(),
            'and a second time nothing is left to do',
        );

        $after = self::counts($owner);
        self::assertSame($before, array_intersect_key($after, $before));
        self::assertCount(8, $before);
        $value = static fn(string $sql): mixed => $owner->query($sql)->fetchColumn();
        self::assertSame(
            'nell.marsh@example.test',
            $value('select a.email from users u join accounts a on a.id = u.account_id'),
            'addresses without capitals',
        );
        self::assertSame(
            [1, true],
            [
                $value('select count(*)::int from access_log_links'),
                $value(
                    "select hash = access_log_hash('', 1, e) from access_log_links l join access_log e on e.id = l.entry",
                ),
            ],
            'lines of before are chained',
        );
        self::assertSame(
            [7, 14],
            $owner
                ->query("select (response_rule->>'rest_days')::int from cases order by 1")
                ->fetchAll(PDO::FETCH_COLUMN),
            'how long a school rests is its own limit',
        );
        self::assertSame(
            0,
            $value('select count(*)::int from cases where evaluated_at is not null'),
            'each case is looked at again',
        );
        self::assertSame(
            1,
            $value(
                "select count(*)::int from check_ins where made_at = created_at and provocation = 4 and signs = '[\"swelling\"]'",
            ),
        );
        self::assertSame(
            1,
            $value('select count(*)::int from training_sessions where not after_close and not superseded'),
        );
        self::assertSame(4, $value("select jsonb_array_length(entries->0->'sets') from training_sessions"));

        // The walls stand around what was there already.
        $application = self::connect('rung_app', 'DB_APP_PASSWORD');
        self::assertSame(0, $application->query('select count(*)::int from cases')->fetchColumn());
        $application->exec("set rung.practice = '" . self::PRACTICE . "'");
        self::assertSame(2, $application->query('select count(*)::int from cases')->fetchColumn());
        $without = $owner
            ->query(
                "select relname from pg_class c where relkind = 'r' and relnamespace = 'public'::regnamespace and not relrowsecurity
            and exists (select 1 from pg_attribute where attrelid = c.oid and attname = 'practice_id')",
            )
            ->fetchAll(PDO::FETCH_COLUMN);
        self::assertSame([], $without);
    }

    private static function fill(PDO $owner): void
    {
        [$practice, $athlete, $case] = [self::PRACTICE, self::ATHLETE, self::CASE];
        $practitioner = '00000000-0000-4000-8000-00000000000d';
        $owner->exec(
            "insert into practices (id, name, timezone) values ('$practice', 'A Practice of Then', 'Europe/Lisbon')",
        );
        $owner->exec(
            "insert into athletes (id, practice_id, name, body_mass_kg) values ('$athlete', '$practice', 'Nell Marsh', 61.5)",
        );
        $owner->exec(
            "insert into users (id, practice_id, name, email, password, role) values ('$practitioner', '$practice', 'Nell Marsh', 'Nell.Marsh@Example.test', 'x', 'owner')",
        );
        foreach ([$case => 'tolerable', '00000000-0000-4000-8000-00000000000e' => 'comfort'] as $id => $school) {
            $owner->exec("insert into cases (id, practice_id, athlete_id, practitioner_id, structure, structure_title, side, goal, opened_on, programme, response_rule, provocation_test, available, events, blocked, intake, evaluated_at)
                values ('$id', '$practice', '$athlete', '$practitioner', 'patellar_tendon', 'Kneecap tendon', 'left', 'jumping', '2026-03-01', 'knee_four_stage',
                    '{\"name\": \"$school\", \"during_max\": 3, \"stop_at\": 8}', '{\"title\": \"x\", \"instruction\": \"x\"}', '[\"mon\"]', '[]', '[]', '{}', now())");
        }
        $owner->exec(
            "insert into plan_versions (id, practice_id, case_id, version, content, note, created_at) values (gen_random_uuid(), '$practice', '$case', 1, '{\"stages\": []}', 'x', now())",
        );
        $sets = str_repeat('{"reps": 8, "load_kg": 40},', 3) . '{"reps": 8, "load_kg": 40}';
        $owner->exec("insert into training_sessions (id, practice_id, case_id, plan_version, stage, kind, started_at, ended_at, signs, entries, created_at)
            values (gen_random_uuid(), '$practice', '$case', 1, 'slow', 'loading', '2026-03-02T17:00:00Z', '2026-03-02T18:00:00Z', '[]', '[{\"prescription\": \"press\", \"pain\": 2, \"sets\": [$sets]}]', now())");
        $owner->exec(
            "insert into access_log (practice_id, user_id, athlete_id, what, cases, at) values ('$practice', '$practitioner', '$athlete', 'looked at a case', '[\"$case\"]', now())",
        );
        $owner->exec(
            "insert into check_ins (id, practice_id, case_id, at, provocation, signs, created_at) values (gen_random_uuid(), '$practice', '$case', '2026-03-03T07:00:00Z', 4, '[\"swelling\"]', '2026-03-03T07:01:00Z')",
        );
    }

    /** @return array<string, int> rows of the tables that were filled, by table */
    private static function counts(PDO $owner): array
    {
        $counts = [];
        foreach (
            $owner
                ->query(
                    "select relname from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace and relname <> 'migrations' order by 1",
                )
                ->fetchAll(PDO::FETCH_COLUMN)
            as $table
        ) {
            $counts[$table] = $owner->query("select count(*)::int from \"$table\"")->fetchColumn();
        }

        return array_filter($counts);
    }

    private function migrate(string ...$arguments): string
    {
        $settings = [
            'APP_ENV' => 'testing',
            'APP_KEY' => 'base64:' . base64_encode(str_repeat('x', 32)),
            'LARAVEL_STORAGE_PATH' => $this->folder,
            'LOG_CHANNEL' => 'stderr',
            'DB_HOST' => '127.0.0.1',
            'DB_PORT' => (string) getenv('RUNG_PG_PORT'),
            'DB_DATABASE' => self::DATABASE,
            'DB_USERNAME' => 'rung_owner',
            'DB_PASSWORD' => self::secret('DB_OWNER_PASSWORD'),
            'VIEW_COMPILED_PATH' => "$this->folder/framework/views",
        ];
        foreach (['CONFIG', 'ROUTES', 'PACKAGES', 'SERVICES', 'EVENTS'] as $cache) {
            $settings["APP_{$cache}_CACHE"] = "$this->folder/" . strtolower($cache) . '.php';
        }
        $pipes = [];
        $process = proc_open(
            [PHP_BINARY, 'artisan', 'migrate', '--force', '--no-ansi', ...$arguments],
            [1 => ['pipe', 'w'], 2 => ['redirect', 1]],
            $pipes,
            dirname(__DIR__, 2),
            $settings + ['PATH' => (string) getenv('PATH')],
        );
        self::assertIsResource($process);
        $said = (string) stream_get_contents($pipes[1]);
        self::assertSame(0, proc_close($process), $said);

        return $said;
    }

    private static function connect(string $role, string $secret, string $database = self::DATABASE): PDO
    {
        return new PDO(
            'pgsql:host=127.0.0.1;port=' . getenv('RUNG_PG_PORT') . ";dbname=$database",
            $role,
            self::secret($secret),
            [
                PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION,
            ],
        );
    }

    private static function secret(string $name): string
    {
        preg_match("/^$name='?([^'\n]*)'?$/m", (string) file_get_contents(self::home('secrets')), $found);

        return $found[1] ?? '';
    }
}
