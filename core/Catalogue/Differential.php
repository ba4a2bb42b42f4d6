<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** What else a pain at a structure could be, the check that tells it apart, and what to do then (docs/rules.md, "Screening"). */
final readonly class Differential
{
    private function __construct(public string $what, public string $check, public string $then) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('what'), $node->key('check'), $node->key('then'));
    }

    /** @return array{what: string, check: string, then: string} */
    public function toArray(): array
    {
        return ['what' => $this->what, 'check' => $this->check, 'then' => $this->then];
    }
}
