<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Calendar\Weekday;
use Rung\Core\CaseFile\Goal;
use Rung\Core\CaseFile\Side;
use Rung\Core\CaseFile\Structure;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Start\Findings;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Day;

/** What a practitioner found and chose when opening a case. */
final readonly class CaseOpening
{
    /**
     * @param list<Weekday> $available
     * @param list<Day> $events
     * @param list<string> $risks
     * @param list<array{sign: string, resolved: bool, why: string|null}> $referralSigns
     * @param array{affected: int|float, unaffected: int|float, unit: string}|null $strength
     */
    public function __construct(
        public Structure $structure,
        public Side $side,
        public Goal $goal,
        public string $programme,
        public ?string $history,
        public array $available,
        public array $events,
        public Findings $findings,
        public array $risks,
        public array $referralSigns,
        public bool $screened,
        /** The stage in which to begin; null: the proposed one. */
        public ?string $stage,
        public ?array $strength,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $available = $node->choicesOrNull('available', Weekday::class) ?? [];
        if ($node->required('available') && $available === []) {
            $node->fault('available', 'must hold at least one day of the week');
        }
        $strength = $node->childOrNull('strength', static fn(ObjectNode $test): array => [
            'affected' => $test->number('affected'),
            'unaffected' => $test->positive('unaffected'),
            'unit' => $test->key('unit'),
        ]);

        $side = $node->choice('side', Side::class);

        return new self(
            structure: $node->choice('structure', Structure::class),
            side: $side,
            goal: $node->choice('goal', Goal::class),
            programme: $node->key('programme'),
            history: $node->textOrNull('history'),
            available: $available,
            events: $node->days('events'),
            findings: new Findings(
                rest: $node->wholeOrNull('rest', 0, 10),
                test: $node->wholeOrNull('test', 0, 10),
                settle: $node->numberOrNull('settle_min'),
                stiffness: $node->numberOrNull('stiffness_min'),
                symmetryPercent: $strength === null
                    ? null
                    : Strength::symmetry($strength['affected'], $strength['unaffected'], $side === Side::Both),
                trainingDaysPerWeek: $node->whole('training_days_per_week', 0, 7),
            ),
            risks: $node->textsOrNull('risks') ?? [],
            referralSigns: $node->eachOrEmpty('referral_signs', static function (ObjectNode $sign): array {
                $found = ['sign' => $sign->key('sign'), 'resolved' => $sign->flag('resolved'), 'why' => $sign->textOrNull('why')];
                if ($found['resolved'] && trim($found['why'] ?? '') === '') {
                    $sign->fault('why', 'is needed: say why it is safe to go on');
                }

                return $found;
            }),
            screened: $node->flagOrNull('screened') ?? false,
            stage: $node->textOrNull('stage'),
            strength: $strength,
        );
    }
}
