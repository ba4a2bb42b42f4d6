<?php

declare(strict_types=1);

namespace Rung\Core\Screening;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Structure;

/** What an examination may find beside the sore structure, and what accessory work may wait for. */
final readonly class Finding
{
    /** @param list<Structure> $structures at which it is looked for */
    private function __construct(
        public string $key,
        public string $words,
        /** How it is looked for. */
        public string $how,
        public array $structures,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->key('words'),
            $node->key('how'),
            $node->choicesOrNull('structures', Structure::class) ?? [],
        );
    }
}
