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
        parent::__construct(
            implode(
                '; ',
                array_map(static fn(Fault $fault): string => trim($fault->path . ' ' . $fault->message), $faults),
            ),
        );
    }

    public static function at(string $path, string $message): self
    {
        return new self([new Fault($path, $message)]);
    }

    /** The same faults as seen from an object inside the input. */
    public function below(string $path): self
    {
        return new self(
            array_map(
                static fn(Fault $fault): Fault => new Fault(
                    str_starts_with($fault->path, $path) ? substr($fault->path, strlen($path)) : $fault->path,
                    $fault->message,
                ),
                $this->faults,
            ),
        );
    }

    /** The same faults as seen from the input that the object is part of. */
    public function above(string $path): self
    {
        return new self(
            array_map(
                static fn(Fault $fault): Fault => new Fault($path . $fault->path, $fault->message),
                $this->faults,
            ),
        );
    }

    /** @return list<array{path: string, message: string}> */
    public function toArray(): array
    {
        return array_map(static fn(Fault $fault): array => $fault->toArray(), $this->faults);
    }
}
