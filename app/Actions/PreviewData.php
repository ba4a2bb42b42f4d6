<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Acceptance\Flare;
use Rung\Core\Input\ObjectNode;

/** What a practitioner looks at before it is decided: a flare plan, opening again, or another school. */
final readonly class PreviewData
{
    private function __construct(public DecisionKind $kind, public ?Flare $flare, public ?string $rule) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->choice('kind', DecisionKind::class);
        if (!in_array($kind, [DecisionKind::Flare, DecisionKind::Reopen, DecisionKind::Rule], true)) {
            $node->fault('kind', 'must be flare, reopen or rule: the others are shown with the case');
        }

        return new self(
            $kind,
            $kind === DecisionKind::Flare ? $node->child('flare', Flare::read(...)) : null,
            $kind === DecisionKind::Rule ? $node->key('rule') : null,
        );
    }
}
