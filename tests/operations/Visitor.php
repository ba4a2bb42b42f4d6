<?php

declare(strict_types=1);

namespace Tests\Operations;

/** A browser that is signed in: its cookies. */
final readonly class Visitor
{
    /** @param array<string, string> $cookies */
    private function __construct(private array $cookies) {}

    public static function by(string $headers): self
    {
        preg_match_all('/^set-cookie: ([^=]+)=([^;]*)/im', $headers, $found);

        return new self(array_combine($found[1], $found[2]));
    }

    public function cookies(): string
    {
        return implode(
            '; ',
            array_map(
                static fn(string $name, string $value): string => "$name=$value",
                array_keys($this->cookies),
                $this->cookies,
            ),
        );
    }

    public function token(): string
    {
        return urldecode($this->cookies['XSRF-TOKEN'] ?? '');
    }
}
