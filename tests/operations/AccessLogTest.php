<?php

declare(strict_types=1);

namespace Tests\Operations;

use CurlHandle;

/** The record of who saw what, changed by somebody who has every right in the database: it shows. */
final class AccessLogTest extends TestCase
{
    private const TABLES = ['access_log', 'access_log_links'];

    protected function tearDown(): void
    {
        foreach (self::TABLES as $table) {
            self::owner()->exec(
                "alter table $table disable trigger user; delete from $table; insert into $table select * from kept_$table; drop table kept_$table; alter table $table enable trigger user",
            );
        }
    }

    protected function setUp(): void
    {
        foreach (self::TABLES as $table) {
            self::owner()->exec("drop table if exists kept_$table; create table kept_$table as select * from $table");
        }
    }

    public function testEveryRequestAtTheSameMomentGetsALinkOfItsOwn(): void
    {
        $ola = self::practitioner();
        $case = self::owner()
            ->query(
                "select c.id from cases c join users u on u.id = c.practitioner_id join accounts a on a.id = u.account_id where a.email = 'ola.vance@ropewalk.example' limit 1",
            )
            ->fetchColumn();
        $before = self::links();
        self::atOnce(12, static fn(): CurlHandle => self::request('GET', "/api/cases/$case/file", null, $ola));
        self::assertSame($before + 12, self::links());
        self::assertSame(0, self::check()[0], self::check()[1]);
    }

    public function testALineThatWasTakenAwayOrChangedIsFound(): void
    {
        for ($lines = 0; $lines < 5; $lines++) {
            self::practitioner();
        }
        [$code, $said] = self::check();
        self::assertSame(0, $code, $said);
        self::assertSame(
            1,
            preg_match('/Ropewalk Circus School: \d+ lines, the newest link is (\d+:[0-9a-f]{64})/', $said, $found),
        );
        $newest = '--newest=' . ($found[1] ?? '');
        self::assertSame(0, self::check($newest)[0]);

        $last = (int) self::owner()->query('select max(id) from access_log')->fetchColumn();
        self::past("update access_log set what = 'did nothing' where id = $last");
        [$code, $said] = self::check();
        self::assertSame(1, $code);
        self::assertMatchesRegularExpression('/line \d+ was changed/', $said);
        self::past("delete from access_log where id = $last");
        self::assertMatchesRegularExpression('/line \d+ was taken away/', self::check()[1]);
        // With its link it is not missed, unless somebody kept the newest one.
        self::past("delete from access_log_links where entry = $last", 'access_log_links');
        self::assertSame(0, self::check()[0]);
        [$code, $said] = self::check($newest);
        self::assertSame(1, $code);
        self::assertStringContainsString('The link that was written down is not there', $said);
        // A line in the middle is missed with its link, too.
        $middle = (int) self::owner()
            ->query('select entry from access_log_links order by number offset 1 limit 1')
            ->fetchColumn();
        self::assertLessThan($last - 1, $middle);
        self::past(
            "delete from access_log_links where entry = $middle; delete from access_log where id = $middle",
            'access_log_links',
        );
        self::assertStringContainsString('was taken away', self::check()[1]);
    }

    public function testTheDoctorSaysWhatIsWrongAndHowToMendIt(): void
    {
        self::practitioner();
        [$code, $said] = self::doctor();
        self::assertStringContainsString('well   postgres runs', $said);
        self::assertStringContainsString('well   the tables are those of this version', $said);
        self::assertStringContainsString('well   the database answers', $said);
        self::assertMatchesRegularExpression('/WRONG  letters leave the machine: .*\n\s+name a mail server/', $said);
        self::assertSame(1, $code);
        self::past('delete from access_log where id = (select max(id) from access_log)');
        self::assertMatchesRegularExpression(
            '/WRONG  the record of who saw what of .* is whole: line \d+ was taken away/',
            self::doctor()[1],
        );
    }

    public function testAMonitorReadsNumbersWithTheKeyOfTheMachineAlone(): void
    {
        self::assertSame(200, self::ask('GET', '/up')['status']);
        self::assertSame(404, self::ask('GET', '/metrics')['status']);
        preg_match("/^METRICS_KEY='(.*)'$/m", (string) file_get_contents(self::home('secrets')), $key);
        $handle = self::request('GET', '/metrics');
        curl_setopt($handle, CURLOPT_HTTPHEADER, ['Authorization: Bearer ' . ($key[1] ?? '')]);
        $text = (string) curl_exec($handle);
        self::assertStringContainsString("# TYPE rung_jobs_waiting gauge\nrung_jobs_waiting 0\n", $text);
        self::assertMatchesRegularExpression('/^rung_disk_free_bytes \d/m', $text);
        // Names of people and practices are in none of it.
        self::assertStringNotContainsString('Ropewalk', $text);
    }

    /** As only somebody with the rights of the tables' owner can. */
    private static function past(string $statement, string $also = 'access_log'): void
    {
        self::owner()->exec(
            "alter table access_log disable trigger user; alter table $also disable trigger user; $statement; alter table access_log enable trigger user; alter table $also enable trigger user",
        );
    }

    /** @return array{int, string} */
    private static function check(string ...$with): array
    {
        return self::shell(dirname(__DIR__, 2) . '/rung', ['check-log', ...array_values($with)]);
    }

    /** @return array{int, string} */
    private static function doctor(): array
    {
        return self::shell(dirname(__DIR__, 2) . '/rung', ['doctor']);
    }

    private static function links(): int
    {
        return (int) self::owner()->query('select count(*) from access_log_links')->fetchColumn();
    }
}
