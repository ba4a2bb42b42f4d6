<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** The strength test of a structure, done on both sides. */
final readonly class StrengthTestInfo
{
    private function __construct(public string $key, public string $title, public string $unit, public string $instruction) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('key'), $node->key('title'), $node->key('unit'), $node->key('instruction'));
    }

    /** @return array{key: string, title: string, unit: string, instruction: string} */
    public function toArray(): array
    {
        return ['key' => $this->key, 'title' => $this->title, 'unit' => $this->unit, 'instruction' => $this->instruction];
    }
}
