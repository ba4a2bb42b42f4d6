<?php

declare(strict_types=1);

namespace Rung\Core\Input;

use JsonException;
use stdClass;

/**
 * Reads a JSON text within bounds that keep memory under 512 MiB whatever the text holds:
 * at most 16 MiB, 150 000 objects and lists, 32 levels (docs/formats/case-file.md, "Bounds").
 */
final class Json
{
    public const MAX_BYTES = 16 * 1024 * 1024;

    private const MAX_CONTAINERS = 150_000;

    private const MAX_DEPTH = 32;

    /**
     * @template T
     *
     * @param callable(ObjectNode): T $read
     *
     * @return T
     *
     * @throws InvalidInput with every fault of the text
     */
    public static function read(string $text, callable $read): mixed
    {
        $faults = new Faults();
        $result = self::node(self::object($text), $faults)->readWith($read);
        $faults->refuse();

        return $result;
    }

    public static function node(stdClass $object, Faults $faults): ObjectNode
    {
        return new ObjectNode(get_object_vars($object), $faults, null, '');
    }

    /** @throws InvalidInput at the empty path where the text is no JSON object within the bounds */
    private static function object(string $text): stdClass
    {
        if (strlen($text) > self::MAX_BYTES) {
            throw InvalidInput::at('', 'is larger than 16 MiB; send one episode of care a file');
        }
        if (substr_count($text, '{') + substr_count($text, '[') > self::MAX_CONTAINERS) {
            throw InvalidInput::at('', 'holds more than 150000 objects and lists; send one episode of care a file');
        }
        try {
            $value = json_decode($text, false, self::MAX_DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $problem) {
            throw InvalidInput::at('', 'is not JSON in UTF-8: ' . lcfirst($problem->getMessage()));
        }
        if (!($value instanceof stdClass)) {
            throw InvalidInput::at('', 'must be a JSON object');
        }

        return $value;
    }
}
