<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Input\ObjectNode;

/** The practice as it stands at the head of a paper. */
final readonly class Letterhead
{
    public function __construct(
        public string $name,
        public ?string $address,
        public ?string $telephone,
        public ?string $hours,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('name'),
            $node->textOrNull('address'),
            $node->textOrNull('telephone'),
            $node->textOrNull('hours'),
        );
    }

    /** @return array<string, string|null> */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'address' => $this->address,
            'telephone' => $this->telephone,
            'hours' => $this->hours,
        ];
    }
}
