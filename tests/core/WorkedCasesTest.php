<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The worked cases, each through the command as a person would run it. */
final class WorkedCasesTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function cases(): iterable
    {
        foreach (glob(__DIR__ . '/examples/*.expected.json') ?: [] as $file) {
            $name = basename($file, '.expected.json');
            yield $name => [$name];
        }
    }

    #[DataProvider('cases')]
    public function testTheAnswerAgrees(string $name): void
    {
        $expected = Support::example("$name.expected");
        $command = explode('-', $name)[0];
        $input = $command === 'evaluate' ? "$name.case" : "$name.request";
        $at = $expected['at'] ?? null;

        [$code, $answer, $error] = Support::rung([
            $command,
            __DIR__ . "/examples/$input.json",
            ...is_string($at) ? ["--at=$at"] : [],
        ]);

        self::assertSame(0, $code, $error);
        self::assertSame([], self::differences($expected, $answer));
    }

    public function testEveryWorkedCaseIsThere(): void
    {
        self::assertCount(182, iterator_to_array(self::cases()));
    }

    /** @return list<string> */
    private static function differences(mixed $expected, mixed $found, string $path = ''): array
    {
        if (is_array($expected) && is_array($found)) {
            $differences = [];
            foreach (array_unique([...array_keys($expected), ...array_keys($found)]) as $key) {
                if (!array_key_exists($key, $expected) || !array_key_exists($key, $found)) {
                    $differences[] = "$path/$key is " . (array_key_exists($key, $expected) ? 'missing' : 'too much');
                } else {
                    array_push($differences, ...self::differences($expected[$key], $found[$key], "$path/$key"));
                }
            }

            return $differences;
        }
        $numbers = (is_int($expected) || is_float($expected)) && (is_int($found) || is_float($found));
        $same = $numbers ? abs($expected - $found) < 1e-9 : $expected === $found;

        return $same ? [] : [$path . ': ' . json_encode($found) . ' instead of ' . json_encode($expected)];
    }
}
