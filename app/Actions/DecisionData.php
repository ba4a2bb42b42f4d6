<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Acceptance\Flare;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Maintenance;
use Rung\Core\Time\Day;

/** A decision as a practitioner sends it. */
final readonly class DecisionData
{
    /** @param list<string>|null $prescriptions whose proposals are taken; null: the preferred ones */
    private function __construct(
        public DecisionKind $kind,
        /** The revision of the case that the practitioner was looking at. */
        public int $revision,
        public ?string $reason,
        public ?array $prescriptions,
        public ?string $stage,
        public ?string $clears,
        /** The response rule to judge by. */
        public ?string $rule,
        /** The day on which to look again; null: none is planned any more. */
        public ?Day $reviewOn,
        public ?Flare $flare,
        public ?CaseEnding $ending = null,
        /** To whom the athlete is referred. */
        public ?string $referTo = null,
        /** Sessions a week that are kept up once the programme is finished; 0: discharged; null: not said. */
        public ?int $maintenance = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->choice('kind', DecisionKind::class);
        $reason = $node->textOrNull('reason');
        if ($kind->needsReason() && trim($reason ?? '') === '') {
            $node->fault(
                'reason',
                $kind === DecisionKind::Note
                    ? 'is needed: write what is to be remembered'
                    : 'is needed: say why, for the record',
            );
        }

        $ending =
            $kind === DecisionKind::Close
                ? $node->choice('ending', CaseEnding::class)
                : $node->choiceOrNull('ending', CaseEnding::class);
        $referTo = trim($node->textOrNull('refer_to') ?? '');
        if ($kind === DecisionKind::Close && $ending === CaseEnding::Referred && $referTo === '') {
            $node->fault('refer_to', 'is needed: say to whom, so that the record and the athlete know');
        }

        return new self(
            $kind,
            $node->whole('revision'),
            $reason === null || trim($reason) === '' ? null : trim($reason),
            $node->textsOrNull('prescriptions'),
            $kind === DecisionKind::Stage ? $node->key('stage') : $node->textOrNull('stage'),
            $kind === DecisionKind::ClearStop ? $node->key('clears') : $node->textOrNull('clears'),
            $kind === DecisionKind::Rule ? $node->key('rule') : $node->textOrNull('rule'),
            $node->dayOrNull('review_on'),
            $kind === DecisionKind::Flare
                ? $node->child('flare', Flare::read(...))
                : $node->childOrNull('flare', Flare::read(...)),
            $ending,
            $referTo === '' ? null : $referTo,
            $node->wholeOrNull('maintenance', 0, Maintenance::MOST_PER_WEEK),
        );
    }
}
