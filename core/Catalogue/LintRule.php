<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** A lint rule as the catalogue has it: what it is called, why it matters, and its limits. */
final readonly class LintRule
{
    /** @param array<string, int|float> $limits by name: percent, seconds, days, counts */
    private function __construct(public string $key, public string $title, public string $why, private array $limits) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choice('key', LintKey::class)->value,
            $node->key('title'),
            $node->key('why'),
            $node->child('limits', static fn(ObjectNode $limits): array => $limits->numbers()),
        );
    }

    public function limit(string $name): int|float
    {
        return $this->limits[$name] ?? 0;
    }
}
