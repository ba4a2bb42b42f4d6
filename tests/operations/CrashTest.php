<?php

declare(strict_types=1);

namespace Tests\Operations;

use PHPUnit\Framework\Attributes\DataProvider;

/** Whatever is killed comes back by itself, with all that was acknowledged; stop and start work from every such state. */
final class CrashTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function services(): iterable
    {
        foreach (self::SERVICES as $service) {
            yield $service => [$service];
        }
    }

    #[DataProvider('services')]
    public function testAServiceThatIsKilledIsBackWithinFiveSecondsAndNothingIsLost(string $service): void
    {
        $ola = self::practitioner();
        $name = "typed before $service died";
        $kept = self::ask('POST', '/api/openings', ['step' => 1, 'form' => ['name' => $name]], $ola);
        self::assertSame(201, $kept['status'], $kept['body']);
        // The worker ends by itself where the database was killed before, and is on its way back.
        self::secondsUntil(static fn(): bool => self::isAlive(self::pid($service)));
        $before = self::pid($service);

        posix_kill($before, SIGKILL);
        $away = self::secondsUntil(
            static fn(): bool => self::pid($service) !== $before &&
                self::isAlive(self::pid($service)) &&
                self::ask('GET', '/api/openings', null, $ola)['status'] === 200,
        );
        fwrite(STDERR, sprintf("\nkilled %s: away for %.1f s", $service, $away));
        self::assertLessThan(5, $away);
        $found = array_column(self::ask('GET', '/api/openings', null, $ola)['json']['openings'] ?? [], 'name');
        self::assertContains($name, $found);
    }

    /** What was half made when the worker was killed is made again by the one that takes its place. */
    public function testAFileIsMadeThoughTheWorkerWasKilledOnTheWay(): void
    {
        $ola = self::practitioner();
        $case = self::ask('GET', '/api/round', null, $ola)['json']['cases'][0]['id'] ?? '';
        $paper = self::ask('POST', "/api/cases/$case/papers", ['kind' => 'sheet'], $ola)['json']['id'] ?? '';
        self::assertSame(
            200,
            self::ask('POST', "/api/cases/$case/papers/$paper/signature", ['version' => 1], $ola)['status'],
        );
        $asked = self::ask('POST', "/api/cases/$case/papers/$paper/file", ['size' => 'A4'], $ola);
        self::assertSame(202, $asked['status'], $asked['body']);
        $file = $asked['json']['id'] ?? '';
        $state = static fn(): mixed => self::ask('GET', "/api/files/$file", null, $ola)['json']['state'] ?? null;
        // On a busy machine it may be made between two looks: then the worker is killed right after it.
        self::secondsUntil(static fn(): bool => in_array($state(), ['making', 'ready'], true), most: 60);

        posix_kill(self::pid('worker'), SIGKILL);
        $away = self::secondsUntil(static fn(): bool => $state() === 'ready');
        fwrite(STDERR, sprintf("\nkilled while it made a file: made %.1f s later", $away));
        self::assertStringStartsWith('%PDF', self::ask('GET', "/api/files/$file/content", null, $ola)['body']);
    }

    public function testStartAndStopWorkWhateverWasKilled(): void
    {
        foreach (
            [['supervisor'], ['supervisor', 'fpm', 'nginx', 'scheduler', 'postgres'], ['postgres', 'supervisor']]
            as $killed
        ) {
            foreach ($killed as $service) {
                posix_kill(self::pid($service), SIGKILL);
            }
            self::rung('start');
            self::assertSame(200, self::ask('GET', '/bare')['status']);
            self::assertTrue(self::isAlive(self::pid('supervisor')));
        }
        $pids = array_map(self::pid(...), [...self::SERVICES, 'supervisor']);
        posix_kill(self::pid('supervisor'), SIGKILL);
        self::rung('stop');
        self::assertSame(
            [],
            array_map(
                static fn(int $pid): string => (string) @file_get_contents("/proc/$pid/stat") .
                    @file_get_contents("/proc/$pid/cmdline"),
                array_filter($pids, self::isAlive(...)),
            ),
        );
        self::rung('stop');
        self::rung('start');
    }

    public function testStopEndsNothingThatIsNotItsOwn(): void
    {
        $sleep = proc_open(['setsid', 'sleep', '300'], [], $pipes);
        self::assertIsResource($sleep);
        $pid = proc_get_status($sleep)['pid'];
        try {
            // A stale record whose number another process has now, and the files of an earlier release.
            self::rung('stop');
            $boot = trim((string) file_get_contents('/proc/sys/kernel/random/boot_id'));
            foreach (['nginx', 'fpm', 'supervisor', 'postgres'] as $service) {
                file_put_contents(self::home("run/$service.own"), "$boot $pid 1 /usr/sbin/nginx\n");
            }
            self::rung('stop');
            self::assertTrue(self::isAlive($pid));
            mkdir(self::home('cache'));
            foreach (['nginx', 'fpm', 'scheduler'] as $service) {
                file_put_contents(self::home("run/$service.pid"), "$pid\n");
            }
            self::rung('stop');
            self::assertTrue(self::isAlive($pid));
            self::assertDirectoryDoesNotExist(
                self::home('cache'),
                'what earlier releases kept where the web user could write is gone',
            );
        } finally {
            proc_terminate($sleep, SIGKILL);
            self::rung('start');
        }
    }

    public function testWithoutTheDatabaseRungSaysSoAndComesBack(): void
    {
        $ola = self::practitioner();
        self::shell('supervisorctl', ['-c', self::home('etc/supervisord.conf'), 'stop', 'postgres']);
        try {
            $api = self::ask('GET', '/api/round', null, $ola);
            self::assertSame(503, $api['status'], $api['body']);
            self::assertMatchesRegularExpression('/^retry-after: \d+/im', $api['headers']);
            self::assertStringContainsString('away for a moment', $api['json']['message'] ?? '');
            $page = self::ask('GET', '/calendar/nothing.ics');
            self::assertSame(503, $page['status']);
            self::assertStringContainsString('<h1>Rung is away for a moment</h1>', $page['body']);
            $secret = self::ask(
                'POST',
                '/api/openings',
                ['step' => 1, 'form' => ['name' => 'Quillfeather Odalys']],
                $ola,
            );
            self::assertSame(503, $secret['status']);
        } finally {
            self::shell('supervisorctl', ['-c', self::home('etc/supervisord.conf'), 'start', 'postgres']);
        }
        self::secondsUntil(static fn(): bool => self::ask('GET', '/api/round', null, $ola)['status'] === 200);
        [, $said] = self::shell(
            'grep -rl Quillfeather ' .
                escapeshellarg(self::home('storage/logs')) .
                ' ' .
                escapeshellarg(self::home('log')),
        );
        self::assertSame('', $said, 'what was sent is in no log');
        [, $said] = self::shell('cat ' . escapeshellarg(self::home('storage/logs')) . '/*.log');
        self::assertMatchesRegularExpression('/SQLSTATE \w{5}/', $said, 'the failure itself is');
    }

    public function testASchedulersLockEndsWithinMinutesAndWithAStart(): void
    {
        $locks = static fn(): int => (int) self::owner()
            ->query("select count(*) from cache_locks where key like '%framework%schedule%' or key like '%schedule-%'")
            ->fetchColumn();
        self::owner()->exec(
            "insert into cache_locks (key, owner, expiration) values ('rung_framework/schedule-left', 'x', extract(epoch from now())::int + 86400)",
        );
        posix_kill(self::pid('supervisor'), SIGKILL);
        self::rung('stop');
        self::rung('start');
        self::assertStringContainsString(
            'withoutOverlapping(10)',
            (string) file_get_contents(dirname(__DIR__, 2) . '/routes/console.php'),
        );
        [$code] = self::shell('true');
        self::assertSame(0, $code);
        self::owner()->exec("delete from cache_locks where key = 'rung_framework/schedule-left'");
        self::assertSame(0, $locks());
    }
}
