<?php

declare(strict_types=1);

namespace Tests\Operations;

/** Backups that restore, and commands that erase nothing by mistake. */
final class BackupTest extends TestCase
{
    public function testABackupRestoresWhatItHeldAndDamagedOnesAreRefused(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'rung-backup');
        $before = self::counts();
        self::assertStringContainsString('restored once to check', self::rung('backup', $file));
        self::assertSame(
            ['0600', false],
            [sprintf('%04o', fileperms($file) & 07777), str_contains((string) file_get_contents($file), 'PGDMP')],
            'encrypted, for its owner alone',
        );

        self::owner()->exec(
            "insert into openings (id, practice_id, practitioner_id, name, step, form) select gen_random_uuid(), practice_id, id, 'after the backup', 1, '{}' from users where role = 'owner'",
        );
        self::owner()->exec('delete from check_ins');
        // Somebody was erased after the backup was made.
        [$practice, $athlete] = (array) self::owner()
            ->query(
                "select practice_id, id from athletes where name = 'Piet Olander' and practice_id = (select practice_id from users u join accounts a on a.id = u.account_id where a.email = 'ola.vance@ropewalk.example')",
            )
            ->fetch(\PDO::FETCH_NUM);
        $erased = self::home('storage/app/erased.jsonl');
        file_put_contents(
            $erased,
            json_encode(['practice' => $practice, 'athlete' => $athlete, 'pseudonym' => 'Athlete 123456']) . "\n",
        );
        chown($erased, (string) getenv('RUNG_WEB_USER'));
        self::assertNotSame($before, self::counts());

        $damaged = (string) file_get_contents($file);
        $damaged[intdiv(strlen($damaged), 2)] = $damaged[intdiv(strlen($damaged), 2)] === 'a' ? 'b' : 'a';
        file_put_contents("$file.damaged", $damaged);
        foreach ([["$file.damaged", ''], [$file, 'RUNG_BACKUP_PASSPHRASE=another '], [__FILE__, '']] as [$bad, $with]) {
            $changed = self::counts();
            [$code, $said] = self::shell($with . dirname(__DIR__, 2) . '/rung', ['restore', $bad]);
            self::assertSame(1, $code, $said);
            self::assertStringContainsString('nothing was changed', $said);
            self::assertSame($changed, self::counts());
        }

        self::assertStringContainsString('1 who were erased', self::rung('restore', $file));
        self::assertSame($before, self::counts());
        self::assertSame(
            'Athlete 123456',
            self::owner()
                ->query("select name from athletes where id = '$athlete'")
                ->fetchColumn(),
            'and stays erased',
        );
        unlink($erased);
        self::secondsUntil(static fn(): bool => self::ask('GET', '/bare')['status'] === 200);
        self::practitioner();
        array_map(unlink(...), [$file, "$file.damaged"]);
    }

    public function testARealPracticeIsNeverErasedByTheDemo(): void
    {
        $real = '00000000-0000-4000-8000-000000000001';
        self::owner()->exec(
            "insert into practices (id, name, timezone) values ('$real', 'A Real Practice', 'Europe/Lisbon')",
        );
        try {
            $cases = (int) self::owner()->query('select count(*) from cases')->fetchColumn();
            [$code, $said] = self::shell(dirname(__DIR__, 2) . '/rung', ['demo']);
            self::assertSame(1, $code);
            self::assertStringContainsString('./rung demo --yes', $said);
            self::assertSame($cases, (int) self::owner()->query('select count(*) from cases')->fetchColumn());
            self::rung('demo', '--yes');
            self::assertSame(
                ['A Real Practice', 'Ropewalk Circus School'],
                self::owner()->query('select name from practices order by name')->fetchAll(\PDO::FETCH_COLUMN),
            );
            self::assertSame(
                14,
                (int) self::owner()->query('select count(*) from cases')->fetchColumn(),
                'as it is loaded, without what was entered',
            );
            self::assertSame(
                0,
                (int) self::owner()->query("select count(*) from pg_trigger where tgenabled = 'D'")->fetchColumn(),
                'what is written once is guarded again',
            );
        } finally {
            self::owner()->exec("delete from practices where id = '$real'");
        }
    }

    public function testPackagesThatDifferFromWhatIsRecordedStopTheStart(): void
    {
        $file = dirname(__DIR__, 2) . '/vendor/composer/installed.json';
        $installed = (string) file_get_contents($file);
        try {
            file_put_contents(
                $file,
                (string) preg_replace(
                    '/"name": "brick\/math",\s+"version": "[^"]+"/',
                    '"name": "brick/math", "version": "0.0.1"',
                    $installed,
                    1,
                ),
            );
            [$code, $said] = self::shell(dirname(__DIR__, 2) . '/rung', ['start']);
            self::assertSame(1, $code);
            self::assertMatchesRegularExpression('/brick\/math: [\d.]+ is recorded, 0\.0\.1 is installed/', $said);
            self::assertStringContainsString('./rung versions accept', $said);
        } finally {
            file_put_contents($file, $installed);
        }
    }

    /** @return array<string, int> rows by table, sign-ins and caches left out */
    private static function counts(): array
    {
        $db = self::owner();
        $counts = [];
        foreach (
            $db
                ->query(
                    "select relname from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' order by relname",
                )
                ->fetchAll(\PDO::FETCH_COLUMN)
            as $table
        ) {
            if (is_string($table) && !in_array($table, ['sessions', 'cache', 'cache_locks', 'sign_in_tries'], true)) {
                $counts[$table] = (int) $db->query("select count(*) from \"$table\"")->fetchColumn();
            }
        }

        return $counts;
    }
}
