<?php

declare(strict_types=1);

namespace Tests\Operations;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The web user can change nothing that root reads or runs, and read no secret but its own. */
final class PrivilegesTest extends TestCase
{
    public function testTheWebUserChangesNothingThatRootReadsOrRuns(): void
    {
        $checked = 0;
        foreach (
            [
                self::home('etc'),
                self::home('run'),
                self::home('log'),
                self::home('tmp'),
                dirname(__DIR__, 2) . '/support',
                dirname(__DIR__, 2) . '/app',
                dirname(__DIR__, 2) . '/bootstrap',
            ]
            as $folder
        ) {
            $files = new RecursiveIteratorIterator(
                new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS),
                RecursiveIteratorIterator::SELF_FIRST,
                RecursiveIteratorIterator::CATCH_GET_CHILD,
            );
            foreach ([new SplFileInfo($folder), ...iterator_to_array($files, false)] as $file) {
                assert($file instanceof SplFileInfo);
                // A socket is written to by design; nginx's folders for bodies are its workers' own, inside one of root's.
                if (
                    @filetype($file->getPathname()) === 'socket' ||
                    dirname($file->getPathname()) === self::home('tmp')
                ) {
                    continue;
                }
                $checked++;
                self::assertSame(posix_geteuid(), fileowner($file->getPathname()), $file->getPathname());
                self::assertSame(0, fileperms($file->getPathname()) & 022, $file->getPathname());
            }
        }
        self::assertGreaterThan(50, $checked);
        foreach (['rung', 'artisan', 'vendor', 'public/index.php'] as $file) {
            self::assertSame(posix_geteuid(), fileowner(dirname(__DIR__, 2) . "/$file"));
        }
    }

    public function testSecretsAreReadByTheirOwnersAlone(): void
    {
        $mode = static fn(string $file): string => sprintf('%04o', fileperms(self::home($file)) & 07777);
        self::assertSame(
            ['0600', '0640', '0640', '0700'],
            [$mode('secrets'), $mode('etc/cache/config.php'), $mode('etc/cache/routes-v7.php'), $mode('backups')],
        );
        foreach (glob(self::home('log') . '/*.log') ?: [] as $log) {
            self::assertSame(0, fileperms($log) & 0137, $log);
        }
        $cached = (string) file_get_contents(self::home('etc/cache/config.php'));
        $secrets = (string) file_get_contents(self::home('secrets'));
        $web = (string) getenv('RUNG_WEB_USER');
        foreach (['DB_ADMIN_PASSWORD', 'DB_OWNER_PASSWORD', 'BACKUP_PASSPHRASE'] as $name) {
            $secret =
                preg_match("/^$name='(.+)'$/m", $secrets, $found) === 1 ? $found[1] : self::fail("$name is missing");
            self::assertStringNotContainsString($secret, $cached);
            foreach (glob('/proc/[0-9]*') ?: [] as $process) {
                if (@fileowner($process) === (posix_getpwnam($web)['uid'] ?? -1) && $web !== 'root') {
                    self::assertStringNotContainsString(
                        $secret,
                        (string) @file_get_contents("$process/environ"),
                        "$process knows $name",
                    );
                }
            }
        }
        if (posix_geteuid() === 0) {
            [$code] = self::shell('runuser -u ' . escapeshellarg($web) . ' -- cat', [self::home('secrets')]);
            self::assertNotSame(0, $code);
            [$code] = self::shell('runuser -u ' . escapeshellarg($web) . ' -- touch', [self::home('etc/nginx.conf')]);
            self::assertNotSame(0, $code);
        }
    }

    /** A link that the web user leaves in a folder of its own leads root nowhere. */
    public function testALinkOfTheWebUserIsNotFollowed(): void
    {
        $victim = self::home('etc/victim');
        file_put_contents($victim, 'untouched');
        $link = self::home('storage/logs/left-by-the-web-user.log');
        symlink($victim, $link);
        $folder = self::home('storage/framework/views');
        rename($folder, "$folder.away");
        symlink(self::home('etc'), $folder);
        try {
            self::rung('start');
            self::assertFalse(is_link($folder));
            self::assertSame('untouched', file_get_contents($victim));
            self::assertSame([posix_geteuid(), posix_geteuid()], [fileowner($victim), fileowner(self::home('etc'))]);
        } finally {
            array_map(unlink(...), [$link, $victim]);
            self::shell('rm -rf', ["$folder.away"]);
        }
    }

    public function testRefusalsOfTheServerItselfCarryTheHeadersToo(): void
    {
        foreach (
            [
                ['POST', '/api/session', ['email' => str_repeat('a', 5000)], 413],
                ['POST', '/api/join', ['token' => str_repeat('a', 5000)], 413],
                ['POST', '/api/cases', ['history' => str_repeat('a', 1_100_000)], 413],
                ['GET', '/build/nothing.js', null, 404],
                ['GET', '/icon.svg', null, 200],
            ]
            as [$method, $path, $body, $status]
        ) {
            $answer = self::ask($method, $path, $body);
            self::assertSame($status, $answer['status'], $path);
            foreach (
                ['content-security-policy', 'x-content-type-options: nosniff', 'referrer-policy: same-origin']
                as $header
            ) {
                self::assertSame(1, substr_count(strtolower($answer['headers']), $header), "$path $header");
            }
        }
        self::assertSame(
            'This is larger than Rung takes here. Shorten the longest text, or send less at a time.',
            self::ask('POST', '/api/session', ['email' => str_repeat('a', 5000)])['json']['message'],
        );
    }
}
