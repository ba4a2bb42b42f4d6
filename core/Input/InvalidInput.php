<?php

declare(strict_types=1);

namespace Rung\Core\Input;

use RuntimeException;

/** An input that is refused whole, with every fault found in it (docs/rules.md, "Bad input"). */
final class InvalidInput extends RuntimeException
{
    /** @param non-empty-list<Fault> $faults */
    public function __construct(public readonly array $faults)
    {
        parent::__construct(implode('; ', array_map(
            static fn(Fault $fault): string => trim($fault->path . ' ' . $fault->message),
            $faults,
        )));
    }

    public static function at(string $path, string $message): self
    {
        return new self([new Fault($path, $message)]);
    }

    /** @return list<array{path: string, message: string}> */
    public function toArray(): array
    {
        return array_map(static fn(Fault $fault): array => $fault->toArray(), $this->faults);
    }
}
