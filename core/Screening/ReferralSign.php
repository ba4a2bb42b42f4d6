<?php

declare(strict_types=1);

namespace Rung\Core\Screening;

use Rung\Core\Exercise\Region;
use Rung\Core\Input\ObjectNode;

/** A sign that calls for a referral before any programme. */
final readonly class ReferralSign
{
    /** @param list<Region> $regions in which it is asked for */
    private function __construct(
        public string $key,
        public string $words,
        /** How it is looked for. */
        public ?string $how,
        public array $regions,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->key('words'),
            $node->textOrNull('how'),
            $node->choicesOrNull('regions', Region::class) ?? [],
        );
    }

    public function isAskedIn(Region $region): bool
    {
        return in_array($region, $this->regions, true);
    }
}
