<?php

declare(strict_types=1);

namespace Rung\Core\Input;

/** One fault of an input: where (a JSON Pointer) and what to mend, in plain English. */
final readonly class Fault
{
    public function __construct(public string $path, public string $message) {}

    /** @return array{path: string, message: string} */
    public function toArray(): array
    {
        return ['path' => $this->path, 'message' => $this->message];
    }
}
