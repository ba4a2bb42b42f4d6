<?php

declare(strict_types=1);

namespace Tests\Operations;

use CurlHandle;
use PDO;
use PHPUnit\Framework\TestCase as Base;

/** The instance as it runs on this machine: its processes, files and commands, asked from outside. */
abstract class TestCase extends Base
{
    protected const SERVICES = ['fpm', 'nginx', 'scheduler', 'postgres', 'worker'];

    public static function setUpBeforeClass(): void
    {
        self::assertSame(
            'operations',
            getenv('RUNG_INSTANCE'),
            'run these by ./rung test, which gives them an instance of their own',
        );
        self::rung('start');
    }

    protected static function home(string $path = ''): string
    {
        return rtrim((string) getenv('RUNG_HOME') . "/$path", '/');
    }

    /**
     * @param list<string> $arguments
     *
     * @return array{int, string} exit code and what was said
     */
    protected static function shell(string $command, array $arguments = []): array
    {
        exec($command . ' ' . implode(' ', array_map(escapeshellarg(...), $arguments)) . ' 2>&1', $lines, $code);

        return [$code, implode("\n", $lines)];
    }

    /** ./rung, which must succeed. */
    protected static function rung(string ...$arguments): string
    {
        [$code, $said] = self::shell(dirname(__DIR__, 2) . '/rung', array_values($arguments));
        self::assertSame(0, $code, $said);

        return $said;
    }

    /** The process of a service, by its record. */
    protected static function pid(string $service): int
    {
        $record = @file_get_contents(self::home("run/$service.own"));

        return (int) (explode(' ', (string) $record)[1] ?? 0);
    }

    protected static function isAlive(int $pid): bool
    {
        return $pid > 0 &&
            is_dir("/proc/$pid") &&
            !str_contains((string) @file_get_contents("/proc/$pid/stat"), ') Z ');
    }

    protected static function owner(): PDO
    {
        preg_match("/^DB_OWNER_PASSWORD='(.*)'$/m", (string) file_get_contents(self::home('secrets')), $found);

        return new PDO(
            'pgsql:host=127.0.0.1;port=' . getenv('RUNG_PG_PORT') . ';dbname=rung',
            'rung_owner',
            $found[1] ?? '',
            [
                PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION,
            ],
        );
    }

    protected static function demoPassword(): string
    {
        preg_match("/^DEMO_PASSWORD='?([^'\n]*)'?$/m", (string) file_get_contents(self::home('secrets')), $found);

        return $found[1] ?? '';
    }

    /**
     * @param array<array-key, mixed>|null $body
     *
     * @return array{status: int, headers: string, body: string, json: mixed}
     */
    protected static function ask(string $method, string $path, ?array $body = null, ?Visitor $as = null): array
    {
        $handle = self::request($method, $path, $body, $as);
        $answer = (string) curl_exec($handle);

        return self::answer($handle, $answer);
    }

    /**
     * The same request so many times at one moment.
     *
     * @param callable(int): CurlHandle $request
     *
     * @return list<array{status: int, headers: string, body: string, json: mixed}>
     */
    protected static function atOnce(int $times, callable $request): array
    {
        $all = curl_multi_init();
        $handles = array_map($request, range(1, $times));
        foreach ($handles as $handle) {
            curl_multi_add_handle($all, $handle);
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all, 0.05);
        } while ($running > 0);

        return array_map(
            static fn(CurlHandle $handle): array => self::answer($handle, (string) curl_multi_getcontent($handle)),
            $handles,
        );
    }

    /** @param array<array-key, mixed>|null $body */
    protected static function request(
        string $method,
        string $path,
        ?array $body = null,
        ?Visitor $as = null,
    ): CurlHandle {
        $handle = curl_init(getenv('RUNG_URL') . $path);
        $headers = ['Accept: application/json', 'Content-Type: application/json'];
        if ($as !== null) {
            $headers[] = 'Cookie: ' . $as->cookies();
            $headers[] = 'X-XSRF-TOKEN: ' . $as->token();
        }
        curl_setopt_array(
            $handle,
            [
                CURLOPT_CUSTOMREQUEST => $method,
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_HEADER => true,
                CURLOPT_TIMEOUT => 20,
                CURLOPT_HTTPHEADER => $headers,
            ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => (string) json_encode($body)]),
        );

        return $handle;
    }

    protected static function practitioner(): Visitor
    {
        $answer = self::ask('POST', '/api/session', [
            'email' => 'ola.vance@ropewalk.example',
            'password' => self::demoPassword(),
        ]);
        self::assertSame(200, $answer['status'], $answer['body']);

        return Visitor::by($answer['headers']);
    }

    /** Seconds until something holds; fails after ten, or as many as are given. */
    protected static function secondsUntil(callable $holds, int $most = 10): float
    {
        $begin = microtime(true);
        while (!$holds()) {
            self::assertLessThan($most, microtime(true) - $begin, 'it does not come back');
            usleep(50_000);
        }

        return microtime(true) - $begin;
    }

    /** @return array{status: int, headers: string, body: string, json: mixed} */
    private static function answer(CurlHandle $handle, string $answer): array
    {
        $size = curl_getinfo($handle, CURLINFO_HEADER_SIZE);
        $body = substr($answer, $size);

        return [
            'status' => curl_getinfo($handle, CURLINFO_RESPONSE_CODE),
            'headers' => substr($answer, 0, $size),
            'body' => $body,
            'json' => json_decode($body, true),
        ];
    }
}
