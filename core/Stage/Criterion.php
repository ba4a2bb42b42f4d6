<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Dose\Dose;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Record;

/** One criterion of a gate; the fields that its type does not have are null (docs/rules.md, "The gate of a stage"). */
final readonly class Criterion
{
    /** Days back in which a strength test still counts, where a criterion does not say. */
    public const TEST_WITHIN_DAYS = 28;

    /** Days over which adherence is taken, where a criterion does not say. */
    public const ADHERENCE_DAYS = 14;

    private function __construct(
        public CriterionType $type,
        /** Days, sessions, or the unit of the test or measure. */
        public int|float|null $min = null,
        /** Pain or score, or the unit of the measure. */
        public int|float|null $max = null,
        public int|float|null $min_percent = null,
        public ?int $days = null,
        public ?int $within_days = null,
        public ?int $min_sessions = null,
        public ?int $min_readings = null,
        public ?string $test = null,
        public ?string $measure = null,
        public ?string $prescription = null,
        public ?int $sets = null,
        public ?int $reps = null,
        public int|float|null $hold_s = null,
        public int|float|null $load_kg = null,
        public ?int $rir_min = null,
        /** Kilograms that every set must have. */
        public int|float|null $min_load_kg = null,
        public ?Better $better = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $type = $node->discriminator('type', CriterionType::class);

        return match ($type) {
            CriterionType::DaysInStage, CriterionType::SportSessions => new self($type, min: $node->whole('min')),
            CriterionType::ExercisePain => new self(
                $type,
                max: $node->whole('max', 0, 10),
                days: $node->whole('days'),
                min_sessions: $node->whole('min_sessions'),
            ),
            CriterionType::Provocation => new self(
                $type,
                max: $node->whole('max', 0, 10),
                days: $node->whole('days'),
                min_readings: $node->whole('min_readings'),
            ),
            CriterionType::CleanDays => new self(
                $type,
                min: $node->whole('min'),
                min_sessions: $node->wholeOrNull('min_sessions'),
            ),
            CriterionType::Symmetry => new self(
                $type,
                min_percent: $node->number('min_percent'),
                within_days: $node->wholeOrNull('within_days'),
                test: $node->text('test'),
            ),
            CriterionType::TestValue => new self(
                $type,
                min: $node->number('min'),
                within_days: $node->wholeOrNull('within_days'),
                test: $node->text('test'),
            ),
            CriterionType::Reached => new self(
                $type,
                prescription: $node->text('prescription'),
                sets: $node->whole('sets', 0, Dose::MAX_SETS),
                reps: $node->wholeOrNull('reps', 0, Dose::MAX_REPS),
                hold_s: $node->numberOrNull('hold_s', 0, Dose::MAX_HOLD_S),
                load_kg: $node->numberOrNull('load_kg'),
                rir_min: $node->wholeOrNull('rir_min'),
            ),
            CriterionType::Adherence => new self(
                $type,
                min_percent: $node->number('min_percent', 0, 100),
                days: $node->wholeOrNull('days'),
            ),
            CriterionType::Outcome => self::readOutcome($node),
            CriterionType::LoadedPain => new self(
                $type,
                max: $node->whole('max', 0, 10),
                days: $node->whole('days'),
                min_sessions: $node->whole('min_sessions'),
                prescription: $node->text('prescription'),
                min_load_kg: $node->number('min_load_kg'),
            ),
            CriterionType::TestChange => new self(
                $type,
                min_percent: $node->number('min_percent', -ObjectNode::LARGEST),
                within_days: $node->wholeOrNull('within_days'),
                test: $node->text('test'),
            ),
            CriterionType::OutcomeGain => new self(
                $type,
                min: $node->number('min', -ObjectNode::LARGEST),
                measure: $node->text('measure'),
                better: $node->choice('better', Better::class),
            ),
            CriterionType::SignOff, null => new self(CriterionType::SignOff),
        };
    }

    /** The same criterion over another strength test. */
    public function withTest(string $test): self
    {
        return new self($this->type, $this->min, $this->max, $this->min_percent, $this->days, $this->within_days, test: $test);
    }

    /** The same criterion over a severity score, which is to lie on the better side of a bound. */
    public function withOutcome(string $measure, int|float $bound, bool $higherIsBetter): self
    {
        return new self(
            $this->type,
            min: $higherIsBetter ? $bound : null,
            max: $higherIsBetter ? null : $bound,
            measure: $measure,
        );
    }

    /** The parameter that the value is compared with. */
    public function needed(): int|float
    {
        return $this->min ?? $this->max ?? $this->min_percent ?? $this->sets ?? 1;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return Record::of($this);
    }

    private static function readOutcome(ObjectNode $node): self
    {
        $criterion = new self(
            CriterionType::Outcome,
            min: $node->numberOrNull('min', -ObjectNode::LARGEST),
            max: $node->numberOrNull('max', -ObjectNode::LARGEST),
            measure: $node->text('measure'),
        );
        if ($node->has('min') === $node->has('max')) {
            $node->faultHere('must have either min or max');
        }

        return $criterion;
    }
}
