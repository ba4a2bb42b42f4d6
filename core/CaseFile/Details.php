<?php

declare(strict_types=1);

namespace Rung\Core\CaseFile;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Purpose;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Day;

/** What a case is about. */
final readonly class Details
{
    public function __construct(
        public Structure $structure,
        public Side $side,
        public Day $opened_on,
        public ?Purpose $purpose = null,
        public ?Day $review_on = null,
        public ?string $notes = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choice('structure', Structure::class),
            $node->choice('side', Side::class),
            $node->day('opened_on'),
            $node->choiceOrNull('purpose', Purpose::class),
            $node->dayOrNull('review_on'),
            $node->textOrNull('notes'),
        );
    }

    public function isPrevention(): bool
    {
        return $this->purpose === Purpose::Prevention;
    }
}
