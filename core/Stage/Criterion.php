<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;
use Rung\Core\Record\Record;
use Rung\Core\Time\Day;

/**
 * One criterion of a gate (docs/rules.md, "The gate of a stage"): how it stands on a day by what had happened up to it,
 * whether it could be met on a day to come, and the days that it looks at ("The gate in time"). Days are day numbers.
 */
abstract readonly class Criterion
{
    /** Days back in which a strength test still counts, where a criterion does not say. */
    public const TEST_WITHIN_DAYS = 28;

    /** Days over which it is taken how much was done, where a criterion does not say. */
    public const ADHERENCE_DAYS = 14;

    abstract public function type(): CriterionType;

    /** The parameter that the value is compared with. */
    abstract public function needed(): int|float;

    /** How it stands on a day, today or earlier. */
    abstract public function on(Evidence $evidence, int $day): CriterionResult;

    /** Whether it is met on a day, today or later, if every planned session is done and well tolerated and every morning is answered within the limit. */
    abstract public function canBeMetOn(Evidence $evidence, int $day): bool;

    /** @return list<EvidenceDay> the days that it looks at today, oldest first */
    abstract public function days(Evidence $evidence): array;

    /** Whether a person does what it asks when they like: a test, a score, a signature. */
    public function isByHand(): bool
    {
        return false;
    }

    public static function read(ObjectNode $node): self
    {
        return match ($node->discriminator('type', CriterionType::class)) {
            CriterionType::DaysInStage => DaysInStage::fromFields($node),
            CriterionType::ExercisePain => ExercisePain::fromFields($node),
            CriterionType::Provocation => Provocation::fromFields($node),
            CriterionType::CleanDays => CleanDays::fromFields($node),
            CriterionType::Symmetry => Symmetry::fromFields($node),
            CriterionType::TestValue => TestValue::fromFields($node),
            CriterionType::Reached => Reached::fromFields($node),
            CriterionType::SportSessions => SportSessions::fromFields($node),
            CriterionType::Adherence => SessionsDone::fromFields($node),
            CriterionType::Outcome => OutcomeBound::fromFields($node),
            CriterionType::LoadedPain => LoadedPain::fromFields($node),
            CriterionType::TestChange => TestChange::fromFields($node),
            CriterionType::OutcomeGain => OutcomeGain::fromFields($node),
            CriterionType::SignOff, null => new TechniqueSigned(),
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['type' => $this->type()->value] + Record::toArray($this);
    }

    protected function atLeast(int|float|null $value): CriterionResult
    {
        return $this->result($value, $value !== null && Number::atLeast($value, $this->needed()));
    }

    protected function atMost(int|float|null $value): CriterionResult
    {
        return $this->result($value, $value !== null && Number::atMost($value, $this->needed()));
    }

    /**
     * The highest of the readings, which should be low; too few of them say nothing.
     *
     * @param list<int> $values
     */
    protected function highest(array $values, int $enough): CriterionResult
    {
        $highest = $values === [] ? null : max($values);

        return count($values) < $enough
            ? new CriterionResult($this, CriterionState::NoData, $highest)
            : $this->atMost($highest);
    }

    /**
     * Whether readings, with those that are hoped for, are enough and low.
     *
     * @param list<int> $values
     */
    protected function isLow(array $values, int $hoped, int $enough): bool
    {
        return ($values !== [] || $hoped > 0) &&
            count($values) + $hoped >= $enough &&
            ($values === [] || max($values) <= $this->needed());
    }

    /**
     * @param list<DoneSession> $sessions
     * @param callable(DoneSession): bool $fits
     *
     * @return list<EvidenceDay>
     */
    protected static function daysOf(array $sessions, callable $fits): array
    {
        return array_map(
            static fn(DoneSession $session): EvidenceDay => new EvidenceDay(
                Day::fromNumber($session->day),
                $fits($session),
            ),
            $sessions,
        );
    }

    private function result(int|float|null $value, bool $met): CriterionResult
    {
        return new CriterionResult(
            $this,
            $value === null ? CriterionState::NoData : ($met ? CriterionState::Met : CriterionState::NotYet),
            $value,
        );
    }
}
