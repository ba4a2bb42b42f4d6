<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** The rungs of a family of exercises, easier to harder. */
final readonly class Ladder
{
    /** @param list<string> $rungs keys of exercises */
    private function __construct(public string $key, public string $title, public array $rungs) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('key'), $node->text('title'), $node->textsOrNull('rungs') ?? []);
    }
}
