<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whatever a file holds, the real command answers cleanly and within its bounds. */
final class HostileInputTest extends TestCase
{
    /** @return iterable<string, array{callable(): string}> */
    public static function files(): iterable
    {
        yield 'nothing' => [static fn(): string => ''];
        yield 'five megabytes of garbage' => [static fn(): string => str_repeat("\x00\xffgarbage{[", 500_000)];
        yield 'a list' => [static fn(): string => '[]'];
        yield 'a number' => [static fn(): string => '1'];
        yield 'deep nesting' => [static fn(): string => str_repeat('{"a":', 100_000) . '1' . str_repeat('}', 100_000)];
        yield 'another encoding' => [
            static fn(): string => (string) mb_convert_encoding('{"format":"rung-case/1"}', 'UTF-16'),
        ];
        yield 'a broken letter' => [static fn(): string => "{\"format\":\"rung-case/1\",\"timezone\":\"\xff\"}"];
        yield 'a field named zero' => [static fn(): string => '{"\\u0000a":1}'];
        yield 'a million check-ins' => [
            static fn(): string => '{"check_ins":[' .
                implode(',', array_fill(0, 1_000_000, '{"id":"c","at":"2026-03-01T07:00:00Z"}')) .
                ']}',
        ];
        yield 'empty lists without end' => [
            static fn(): string => '{"sessions":[' . str_repeat('[0],', 149_000) . '[0]]}',
        ];
        yield 'a number beyond all numbers' => [
            static fn(): string => '{"format":1e999,"athlete":{"body_mass_kg":1e308}}',
        ];
    }

    /** @param callable(): string $text */
    #[DataProvider('files')]
    public function testItIsRefusedCleanly(callable $text): void
    {
        $file = tempnam(sys_get_temp_dir(), 'rung');
        self::assertIsString($file);
        file_put_contents($file, $text());
        try {
            [$code, $out, $error] = self::command(['evaluate', $file]);
        } finally {
            unlink($file);
        }

        self::assertSame(2, $code, substr($error, 0, 500));
        self::assertSame('', $out);
        $answer = json_decode($error, true);
        self::assertIsArray($answer, substr($error, 0, 500));
        self::assertNotEmpty($answer['errors']);
    }

    public function testTheCommandKeepsItsExitCodes(): void
    {
        $case = __DIR__ . '/examples/evaluate-002.case.json';
        self::assertSame(0, self::command(['validate', '-'], (string) file_get_contents($case))[0]);
        foreach (
            [
                [],
                ['dance', $case],
                ['evaluate'],
                ['evaluate', $case, $case],
                ['evaluate', '/nowhere.json'],
                ['validate', $case, '--loud'],
                ['evaluate', $case, '--at=2026-03-31'],
                ['dose', $case, '--at=2026-03-31T00:00:00Z'],
            ]
            as $wrong
        ) {
            [$code, $out] = self::command($wrong);
            self::assertSame([64, ''], [$code, $out], implode(' ', $wrong));
        }
    }

    /**
     * @param list<string> $arguments
     *
     * @return array{int, string, string}
     */
    private static function command(array $arguments, string $input = ''): array
    {
        $process = proc_open(
            [PHP_BINARY, __DIR__ . '/../../bin/rung', ...$arguments],
            [['pipe', 'r'], ['pipe', 'w'], ['file', ($log = (string) tempnam(sys_get_temp_dir(), 'rung')), 'w']],
            $pipes,
        );
        assert(is_resource($process));
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        $code = proc_close($process);
        $error = (string) file_get_contents($log);
        unlink($log);

        return [$code, $out, $error];
    }
}
