<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Dose\Mode;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/** How a field is read: what is taken, and which fault is reported at which place, once. */
final class ReadingTest extends TestCase
{
    /** @return iterable<string, array{callable(ObjectNode): mixed, string, mixed}> reader, JSON of the field `a`, what is read */
    public static function sound(): iterable
    {
        yield 'a text' => [static fn(ObjectNode $node): mixed => $node->text('a'), '"knee"', 'knee'];
        yield 'an empty text' => [static fn(ObjectNode $node): mixed => $node->text('a'), '""', ''];
        yield 'a whole number' => [static fn(ObjectNode $node): mixed => $node->whole('a', 0, 10), '10', 10];
        yield 'a whole number with a point' => [
            static fn(ObjectNode $node): mixed => $node->whole('a', 0, 10),
            '10.0',
            10,
        ];
        yield 'a number' => [static fn(ObjectNode $node): mixed => $node->number('a', 0, 10), '2.5', 2.5];
        yield 'a number at its bound' => [static fn(ObjectNode $node): mixed => $node->number('a', 0, 10), '0', 0];
        yield 'a number that may be missing' => [
            static fn(ObjectNode $node): mixed => $node->numberOrNull('a'),
            'null',
            null,
        ];
        yield 'over zero' => [static fn(ObjectNode $node): mixed => $node->positive('a'), '0.1', 0.1];
        yield 'yes or no' => [static fn(ObjectNode $node): mixed => $node->flag('a'), 'false', false];
        yield 'a choice' => [
            static fn(ObjectNode $node): mixed => $node->choice('a', Mode::class),
            '"isometric"',
            Mode::Isometric,
        ];
        yield 'choices' => [
            static fn(ObjectNode $node): mixed => $node->choicesOrNull('a', Mode::class),
            '["sport", "isometric"]',
            [Mode::Sport, Mode::Isometric],
        ];
        yield 'no choices' => [static fn(ObjectNode $node): mixed => $node->choicesOrNull('a', Mode::class), '[]', []];
        yield 'texts' => [static fn(ObjectNode $node): mixed => $node->textsOrNull('a'), '["x", "y"]', ['x', 'y']];
        yield 'a day' => [static fn(ObjectNode $node): mixed => $node->day('a')->toIso(), '"2026-04-14"', '2026-04-14'];
        yield 'a moment' => [
            static fn(ObjectNode $node): mixed => $node->moment('a')->toIso(),
            '"2026-04-14T07:00Z"',
            '2026-04-14T07:00Z',
        ];
        yield 'a child' => [
            static fn(ObjectNode $node): mixed => $node->child(
                'a',
                static fn(ObjectNode $child): int => $child->whole('b'),
            ),
            '{"b": 3}',
            3,
        ];
        yield 'a list of children' => [
            static fn(ObjectNode $node): mixed => $node->each(
                'a',
                static fn(ObjectNode $child): int => $child->whole('b'),
            ),
            '[{"b": 3}, {"b": 4}]',
            [3, 4],
        ];
    }

    /** @param callable(ObjectNode): mixed $read */
    #[DataProvider('sound')]
    public function testWhatIsSoundIsTaken(callable $read, string $json, mixed $expected): void
    {
        self::assertSame($expected, Json::read("{\"a\": $json}", $read));
    }

    /** @return iterable<string, array{callable(ObjectNode): mixed, string, list<array{string, string}>}> reader, JSON, faults */
    public static function unsound(): iterable
    {
        $text = static fn(ObjectNode $node): mixed => $node->text('a');
        $score = static fn(ObjectNode $node): mixed => $node->whole('a', 0, 10);
        yield 'missing' => [$text, '{}', [['/a', 'is missing']]];
        yield 'null' => [$text, '{"a": null}', [['/a', 'must not be null']]];
        yield 'a number for a text' => [$text, '{"a": 3}', [['/a', 'must be a text']]];
        yield 'an empty key' => [
            static fn(ObjectNode $node): mixed => $node->key('a'),
            '{"a": ""}',
            [['/a', 'must not be empty']],
        ];
        yield 'a text for a number' => [$score, '{"a": "3"}', [['/a', 'must be a whole number']]];
        yield 'a part of a number' => [$score, '{"a": 2.5}', [['/a', 'must be a whole number']]];
        yield 'under the bound' => [$score, '{"a": -1}', [['/a', 'must be from 0 to 10']]];
        yield 'over the bound' => [$score, '{"a": 11}', [['/a', 'must be from 0 to 10']]];
        yield 'a number that no computer should sum' => [
            static fn(ObjectNode $node): mixed => $node->number('a'),
            '{"a": 2e9}',
            [['/a', 'must be at most 1000000000']],
        ];
        yield 'nothing where more than nothing is meant' => [
            static fn(ObjectNode $node): mixed => $node->positive('a'),
            '{"a": 0}',
            [['/a', 'must be over 0']],
        ];
        yield 'a text for yes or no' => [
            static fn(ObjectNode $node): mixed => $node->flag('a'),
            '{"a": "yes"}',
            [['/a', 'must be true or false']],
        ];
        yield 'a day that the calendar does not have' => [
            static fn(ObjectNode $node): mixed => $node->day('a'),
            '{"a": "2026-02-30"}',
            [['/a', 'names a date that does not exist']],
        ];
        yield 'one wrong text of a list' => [
            static fn(ObjectNode $node): mixed => $node->textsOrNull('a'),
            '{"a": ["x", 3, "y"]}',
            [['/a/1', 'must be a text']],
        ];
        yield 'a list for an object' => [
            static fn(ObjectNode $node): mixed => $node->child(
                'a',
                static fn(ObjectNode $child): int => $child->whole('b'),
            ),
            '{"a": []}',
            [['/a', 'must be an object']],
        ];
        yield 'a fault inside the second of a list' => [
            static fn(ObjectNode $node): mixed => $node->each(
                'a',
                static fn(ObjectNode $child): int => $child->whole('b'),
            ),
            '{"a": [{"b": 1}, {"b": "x"}]}',
            [['/a/1/b', 'must be a whole number']],
        ];
        yield 'a field that nobody asked for' => [
            $text,
            '{"a": "x", "b": 1}',
            [['/b', 'is not a known field; remove it']],
        ];
        yield 'two at once, each at its place' => [
            static fn(ObjectNode $node): mixed => [$node->text('a'), $node->whole('b')],
            '{"a": 1, "b": "x"}',
            [['/a', 'must be a text'], ['/b', 'must be a whole number']],
        ];
        yield 'a name with a slash' => [$text, '{"a": "x", "b/c": 1}', [['/b~1c', 'is not a known field; remove it']]];
        yield 'the same key twice' => [
            static function (ObjectNode $node): mixed {
                $keys = $node->each('a', static fn(ObjectNode $child): string => $child->key('k'));
                $node->unique('a', 'k', $keys);

                return $keys;
            },
            '{"a": [{"k": "x"}, {"k": "y"}, {"k": "x"}]}',
            [['/a/2/k', 'is there twice; every one must be different']],
        ];
        yield 'no object at all' => [$text, '[1, 2]', [['', 'must be a JSON object']]];
    }

    /**
     * @param callable(ObjectNode): mixed $read
     * @param list<array{string, string}> $faults
     */
    #[DataProvider('unsound')]
    public function testWhatIsNotIsShownAtItsPlace(callable $read, string $json, array $faults): void
    {
        try {
            Json::read($json, $read);
            self::fail('was taken');
        } catch (InvalidInput $bad) {
            self::assertSame(
                $faults,
                array_map(static fn($fault): array => [$fault->path, $fault->message], $bad->faults),
            );
        }
    }

    public function testAnObjectOfAnUnknownKindIsOneFaultAndNotOneAField(): void
    {
        try {
            Json::read(
                '{"kind": "luck", "min": 3, "max": 4}',
                static fn(ObjectNode $node): mixed => $node->discriminator('kind', Mode::class),
            );
            self::fail('was taken');
        } catch (InvalidInput $bad) {
            self::assertSame(['/kind'], array_column($bad->faults, 'path'));
        }
    }
}
