<?php

declare(strict_types=1);

namespace Rung\Core\Input;

/** Collects the faults of one reading, so that all of them can be reported together. */
final class Faults
{
    /** @var array<string, Fault> by path and message, so that none is reported twice */
    private array $found = [];

    public function add(string $path, string $message): void
    {
        $this->found[$path . "\n" . $message] ??= new Fault($path, $message);
    }

    public function isAt(string $path): bool
    {
        foreach ($this->found as $fault) {
            if ($fault->path === $path) {
                return true;
            }
        }

        return false;
    }

    public function any(): bool
    {
        return $this->found !== [];
    }

    /** @throws InvalidInput if there is a fault */
    public function refuse(): void
    {
        $faults = array_values($this->found);
        if ($faults !== []) {
            throw new InvalidInput($faults);
        }
    }
}
