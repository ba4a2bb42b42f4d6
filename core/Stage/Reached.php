<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Dose\Dose;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\PlannedSession;

/** So many sets of one exercise, in one well-tolerated session, that each meet all that is given. */
final readonly class Reached extends Criterion implements OverPrescription
{
    private function __construct(
        public string $prescription,
        public int $sets,
        public ?int $reps,
        public int|float|null $hold_s,
        public int|float|null $load_kg,
        public ?int $rir_min,
    ) {}

    public static function fromFields(ObjectNode $node): self
    {
        return new self(
            $node->text('prescription'),
            $node->whole('sets', 0, Dose::MAX_SETS),
            $node->wholeOrNull('reps', 0, Dose::MAX_REPS),
            $node->numberOrNull('hold_s', 0, Dose::MAX_HOLD_S),
            $node->numberOrNull('load_kg'),
            $node->wholeOrNull('rir_min'),
        );
    }

    public function prescription(): string
    {
        return $this->prescription;
    }

    public function type(): CriterionType
    {
        return CriterionType::Reached;
    }

    public function needed(): int
    {
        return $this->sets;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        $most = null;
        foreach ($evidence->sessions(PHP_INT_MIN, $day) as $session) {
            $enough = $this->setsThatReach($session, $evidence);
            $most = $enough === null ? $most : max($most ?? 0, $enough);
        }

        return $this->atLeast($most);
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        return $this->on($evidence, $day)->state === CriterionState::Met || $this->isAhead($evidence, $day);
    }

    public function days(Evidence $evidence): array
    {
        $logged = array_values(
            array_filter(
                $evidence->sessions(PHP_INT_MIN, $evidence->today()),
                fn(DoneSession $session): bool => $session->session->setsOf($this->prescription) !== [],
            ),
        );

        return self::daysOf(
            $logged,
            fn(DoneSession $session): bool => ($this->setsThatReach($session, $evidence) ?? -1) >= $this->sets,
        );
    }

    /** Sets of a well-tolerated session that meet all; null where it was not well tolerated or logged none of the exercise. */
    private function setsThatReach(DoneSession $done, Evidence $evidence): ?int
    {
        $sets = $done->isWellTolerated ? $done->session->setsOf($this->prescription) : [];
        $mode = $evidence->prescription($this->prescription)?->mode;

        return $sets === [] || $mode === null
            ? null
            : count(
                array_filter(
                    $sets,
                    fn(LoggedSet $set): bool => $this->isMet([
                        [$set->countedReps($mode), $this->reps],
                        [$set->hold_s ?? 0, $this->hold_s],
                        [$set->load_kg ?? 0, $this->load_kg],
                        [$set->rir ?? 0, $this->rir_min],
                    ]),
                ),
            );
    }

    /** Whether the dose in force would reach it in a planned session whose morning after comes by that day. */
    private function isAhead(Evidence $evidence, int $day): bool
    {
        $prescription = $evidence->prescription($this->prescription);
        // What is left in reserve nobody plans.
        if ($prescription === null || $this->rir_min !== null || $prescription->dose->sets < $this->sets) {
            return false;
        }
        $dose = $prescription->dose;
        $reaches = $this->isMet([
            [$dose->reps, $this->reps],
            [$dose->hold_s ?? 0, $this->hold_s],
            [$dose->load_kg ?? 0, $this->load_kg],
        ]);

        return $reaches &&
            array_filter(
                $evidence->ahead($evidence->today(), $day - 1),
                static fn(PlannedSession $planned): bool => $planned->slot === ($prescription->slot ?? $planned->slot),
            ) !== [];
    }

    /** @param list<array{int|float, int|float|null}> $asked what was done beside what is needed */
    private function isMet(array $asked): bool
    {
        foreach ($asked as [$done, $needed]) {
            if ($needed !== null && !Number::atLeast($done, $needed)) {
                return false;
            }
        }

        return true;
    }
}
