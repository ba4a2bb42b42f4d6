<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Input\ObjectNode;

/** What a practitioner chooses for a flare (docs/rules.md, "Flare"). */
final readonly class Flare
{
    public const MAX_REST_DAYS = 7;

    public const MAX_HOLDS_DAYS = 21;

    public function __construct(
        /** Whether every dose of the stage is eased by one step. */
        public bool $ease,
        /** Days from today on without any loading; 0: none. */
        public int $restDays,
        /** Days from today on with holds alone; 0: none. */
        public int $holdsOnlyDays,
        /** What the athlete reads; null: nothing. */
        public ?string $advice,
    ) {}

    /** Every dose one step easier and nothing else, as where a closed case is opened again. */
    public static function easingAlone(): self
    {
        return new self(true, 0, 0, null);
    }

    public static function read(ObjectNode $node): self
    {
        $flare = new self(
            $node->flag('ease'),
            $node->whole('rest_days', 0, self::MAX_REST_DAYS),
            $node->whole('holds_only_days', 0, self::MAX_HOLDS_DAYS),
            $node->textOrNull('advice'),
        );
        if (
            !$flare->ease &&
            $flare->restDays === 0 &&
            $flare->holdsOnlyDays === 0 &&
            trim($flare->advice ?? '') === ''
        ) {
            $node->faultHere('must ask for something: an easier dose, rest, holds only or advice');
        }

        return $flare;
    }
}
