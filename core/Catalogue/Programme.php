<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Calendar\Slot;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Purpose;
use Rung\Core\Record\Structure;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\OverTest;

/** The main shape of a school's programme; a case gets a copy of its plan. */
final readonly class Programme
{
    /** As the test of a criterion: the strength test of the structure that is treated. */
    public const TEST_OF_STRUCTURE = 'structure';

    /** What a variant keeps of the programme's dose; the rest is its exercise's own. */
    private const REVIEW_AFTER_WEEKS = 6;

    private const MOST_WEEKS = 104;

    /**
     * @param list<Structure> $structures
     * @param list<Variant> $variants
     */
    private function __construct(
        public string $key,
        public string $title,
        public array $structures,
        /** The key of its response rule. */
        public string $rule,
        public Purpose $purpose,
        /** Whether the test is repeated before and after each exercise. */
        public bool $retest,
        /** Whether it is built on lowering alone. */
        public bool $lowering_only,
        public string $summary,
        /** What to know before choosing it. */
        public ?string $caution,
        public string $timeScale,
        /** The name of the severity score that its gates look at. */
        public ?string $severityMeasure,
        public array $variants,
        public Plan $plan,
        /** Weeks after which the case is looked at as a whole: its review date at opening. */
        public int $reviewAfterWeeks = self::REVIEW_AFTER_WEEKS,
        /** Weeks that it usually takes; null where nobody can say. */
        public ?int $usualWeeks = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->key('title'),
            $node->choicesOrNull('structures', Structure::class) ?? [],
            $node->key('rule'),
            $node->choice('purpose', Purpose::class),
            $node->flag('retest'),
            $node->flag('lowering_only'),
            $node->key('summary'),
            $node->textOrNull('caution'),
            $node->key('time_scale'),
            $node->textOrNull('severity_measure'),
            $node->eachOrEmpty('variants', Variant::read(...)),
            new Plan(Plan::readStages($node)),
            $node->wholeOrNull('review_after_weeks', 1, self::MOST_WEEKS) ?? self::REVIEW_AFTER_WEEKS,
            $node->wholeOrNull('usual_weeks', 1, self::MOST_WEEKS),
        );
    }

    /**
     * The plan for one of its structures: that structure's exercises and its strength test; for a goal with the usual way back
     * to it, where the programme has none of its own.
     */
    public function planFor(StructureInfo $structure, Catalogue $catalogue, ?Goal $goal = null): Plan
    {
        $practice = $goal === null ? [] : $catalogue->practiceFor($goal);
        $variants = array_filter(
            $this->variants,
            static fn(Variant $variant): bool => in_array($structure->structure, $variant->structures, true),
        );
        $swap = static function (Prescription $prescription) use ($variants, $catalogue): Prescription {
            foreach ($variants as $variant) {
                if (isset($variant->exercises[$prescription->key])) {
                    return $variant->apply($prescription, $catalogue);
                }
            }

            return $prescription;
        };
        $test = static fn(Criterion $criterion): Criterion => $criterion instanceof OverTest &&
        $criterion->test === self::TEST_OF_STRUCTURE
            ? $criterion->withTest($structure->strengthTest)
            : $criterion;

        return $this->plan->mapStages(
            static fn(PlanStage $planned): PlanStage => $planned
                ->withStage($planned->stage->withGate(array_map($test, $planned->stage->gate)))
                ->mapPrescriptions($swap)
                ->mapSlots(
                    static fn(Slot $slot): Slot => $slot->mode === Mode::Sport && $slot->practice === []
                        ? $slot->withPractice($practice)
                        : $slot,
                ),
        );
    }

    /** @return array<string, mixed> as it stands in a document */
    public function toArray(): array
    {
        return array_filter(
            [
                'key' => $this->key,
                'title' => $this->title,
                'structures' => array_column($this->structures, 'value'),
                'rule' => $this->rule,
                'purpose' => $this->purpose->value,
                'retest' => $this->retest,
                'lowering_only' => $this->lowering_only,
                'summary' => $this->summary,
                'caution' => $this->caution,
                'time_scale' => $this->timeScale,
                'review_after_weeks' =>
                    $this->reviewAfterWeeks === self::REVIEW_AFTER_WEEKS ? null : $this->reviewAfterWeeks,
                'usual_weeks' => $this->usualWeeks,
                'severity_measure' => $this->severityMeasure,
                'variants' =>
                    $this->variants === []
                        ? null
                        : array_map(static fn(Variant $variant): array => $variant->toArray(), $this->variants),
                'stages' => array_map(static fn(PlanStage $stage): array => $stage->toArray(), $this->plan->stages),
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
