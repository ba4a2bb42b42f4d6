<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** The one fixed test of a case: what is done, and how it is scored. */
final readonly class ProvocationTest
{
    private function __construct(public string $title, public string $instruction) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('title'), $node->key('instruction'));
    }

    /** @return array{title: string, instruction: string} */
    public function toArray(): array
    {
        return ['title' => $this->title, 'instruction' => $this->instruction];
    }
}
