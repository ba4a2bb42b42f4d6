<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\CaseFile\Structure;
use Rung\Core\Input\ObjectNode;

/** The exercises that a programme takes instead for some of its structures. */
final readonly class Variant
{
    /**
     * @param list<Structure> $structures
     * @param array<string, string> $exercises by prescription
     */
    private function __construct(public array $structures, public array $exercises) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choicesOrNull('structures', Structure::class) ?? [],
            $node->child('exercises', static fn(ObjectNode $map): array => $map->texts()),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['structures' => array_column($this->structures, 'value'), 'exercises' => $this->exercises];
    }
}
