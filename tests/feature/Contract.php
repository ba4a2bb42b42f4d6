<?php

declare(strict_types=1);

namespace Tests\Feature;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use stdClass;
use Symfony\Component\Yaml\Yaml;

/** Holds what the server answers against the contract that the browser's types are made from. */
final class Contract
{
    private const ID = 'https://rung.test/contract.json';

    private static ?self $shared = null;

    private readonly stdClass $contract;

    /** Keeps each schema that it has read: reading one takes longer than checking an answer. */
    private readonly Validator $validator;

    /** @var array<string, string> the path of the contract by the form of the paths that it stands for */
    private readonly array $forms;

    private function __construct()
    {
        $contract = Yaml::parseFile(__DIR__ . '/../../docs/formats/api.yaml', Yaml::PARSE_OBJECT_FOR_MAP);
        Assert::assertInstanceOf(stdClass::class, $contract);
        $this->contract = $contract;
        $this->validator = new Validator();
        $this->validator->resolver()?->registerRaw($contract, self::ID);
        $forms = [];
        foreach (array_keys(get_object_vars(self::object($contract->paths))) as $template) {
            $form = preg_replace('/\\\\\{[^}]+\\\\\}/', '[^/]+', preg_quote($template, '#'));
            $forms["#^$form$#"] = $template;
        }
        $this->forms = $forms;
    }

    public static function hold(string $method, string $path, int $status, string $answer): void
    {
        (self::$shared ??= new self())->check(strtolower($method), explode('?', $path, 2)[0], $status, $answer);
    }

    private function check(string $method, string $path, int $status, string $answer): void
    {
        $place = $this->placeOfSchema($method, $path, (string) $status);
        if ($place === null) {
            // 304 has no body; 401, 403, 404, 419 and 429 have one form everywhere: a message.
            Assert::assertContains(
                $status,
                [304, 401, 403, 404, 419, 429],
                "$method $path answers $status, which the contract does not know",
            );

            return;
        }
        // A table is answered as a text.
        $isText = ($this->at($place)->type ?? null) === 'string';
        $pointer = implode('/', array_map(self::escaped(...), $place));
        $error = $this->validator->validate($isText ? $answer : json_decode($answer), self::ID . "#/$pointer")->error();
        Assert::assertNull(
            $error,
            $error === null ? '' : "$method $path: " . json_encode((new ErrorFormatter())->format($error)),
        );
    }

    /** @return list<string>|null the way through the contract to the schema of an answer; null where it has none */
    private function placeOfSchema(string $method, string $path, string $status): ?array
    {
        foreach ($this->forms as $form => $template) {
            if (preg_match($form, $path) !== 1) {
                continue;
            }
            $place = ['paths', $template, $method, 'responses', $status];
            $reference = $this->at($place)->{'$ref'} ?? null;
            if (is_string($reference)) {
                $place = ['components', 'responses', basename($reference)];
            }
            $kinds = array_keys(get_object_vars($this->at([...$place, 'content'])));
            $schema = $kinds === [] ? null : [...$place, 'content', $kinds[0], 'schema'];

            return $schema !== null && get_object_vars($this->at($schema)) !== [] ? $schema : null;
        }

        return null;
    }

    /**
     * What stands at a place of the contract; nothing where it has no such place.
     *
     * @param list<string> $place
     */
    private function at(array $place): stdClass
    {
        $found = $this->contract;
        foreach ($place as $key) {
            $found = self::object($found->{$key} ?? new stdClass());
        }

        return $found;
    }

    private static function object(mixed $value): stdClass
    {
        Assert::assertInstanceOf(stdClass::class, $value);

        return $value;
    }

    /** A key as a part of a JSON pointer in an address. */
    private static function escaped(string $key): string
    {
        return rawurlencode(str_replace(['~', '/'], ['~0', '~1'], $key));
    }
}
