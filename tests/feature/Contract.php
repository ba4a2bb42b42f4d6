<?php

declare(strict_types=1);

namespace Tests\Feature;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\Yaml\Yaml;

/** Holds what the server answers against the contract that the browser's types are made from. */
final class Contract
{
    /** @var array<string, mixed>|null */
    private static ?array $contract = null;

    public static function hold(string $method, string $path, int $status, string $answer): void
    {
        $schema = self::schemaFor(strtolower($method), explode('?', $path, 2)[0], (string) $status);
        if ($schema === null) {
            // 304 has no body; 401, 403, 404, 419 and 429 have one form everywhere: a message.
            Assert::assertContains(
                $status,
                [304, 401, 403, 404, 419, 429],
                "$method $path answers $status, which the contract does not know",
            );

            return;
        }
        // A table is answered as a text.
        $result = (new Validator())->validate(
            ($schema['type'] ?? null) === 'string' ? $answer : json_decode($answer),
            (string) json_encode($schema),
        );
        $error = $result->error();
        Assert::assertNull(
            $error,
            $error === null ? '' : "$method $path: " . json_encode((new ErrorFormatter())->format($error)),
        );
    }

    /** @return array<string, mixed>|null */
    private static function schemaFor(string $method, string $path, string $status): ?array
    {
        $contract = self::$contract ??= self::read();
        foreach (self::map($contract['paths'] ?? []) as $template => $operations) {
            $form = '#^' . preg_replace('/\\\\\{[^}]+\\\\\}/', '[^/]+', preg_quote((string) $template, '#')) . '$#';
            if (preg_match($form, $path) !== 1) {
                continue;
            }
            $response = self::map(
                self::map(self::map(self::map($operations)[$method] ?? [])['responses'] ?? [])[$status] ?? [],
            );
            if (isset($response['$ref']) && is_string($response['$ref'])) {
                $name = basename($response['$ref']);
                $response = self::map(self::map(self::map($contract['components'])['responses'])[$name]);
            }
            $schema = self::map(
                self::map(array_values(self::map($response['content'] ?? []))[0] ?? [])['schema'] ?? [],
            );

            return $schema === [] ? null : ['components' => $contract['components']] + $schema;
        }

        return null;
    }

    /** @return array<string, mixed> */
    private static function read(): array
    {
        return self::map(Yaml::parseFile(__DIR__ . '/../../docs/formats/api.yaml'));
    }

    /** @return array<string, mixed> */
    private static function map(mixed $value): array
    {
        Assert::assertIsArray($value);

        /** @var array<string, mixed> $value */
        return $value;
    }
}
