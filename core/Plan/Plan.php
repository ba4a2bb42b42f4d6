<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Calendar\Weekday;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;
use Rung\Core\Stage\Stage;
use Rung\Core\Time\Day;

/** What a case is to do: the stages of its programme with doses and calendars, and what rests for now. */
final readonly class Plan
{
    /** The stage of a case file that holds what is no longer asked for. */
    public const LEFT_OUT = 'left_out';

    /**
     * @param list<PlanStage> $stages
     * @param array<string, Day> $resting prescriptions that rest, by key, with the day from which they are tried again
     * @param array<string, Exercise> $exercises copies of the practice's own, by key, as they were when the case was given them
     * @param list<Prescription> $leftOut no longer asked for; kept since sessions name them
     * @param list<Weekday>|null $available the days of the week that the athlete has; null: those of the case
     */
    public function __construct(
        public array $stages,
        public array $resting = [],
        public array $exercises = [],
        public array $leftOut = [],
        public ?array $available = null,
        /** The day until which nothing at all is asked for. */
        public ?Day $restUntil = null,
        /** What is kept up after the programme is finished; null: it is not finished. */
        public ?Maintenance $maintenance = null,
    ) {}

    /** @throws InvalidInput */
    public static function fromJson(string $json): self
    {
        return Json::read($json, static function (ObjectNode $node): self {
            $stages = self::readStages($node);
            $resting = [];
            foreach (
                $node->eachOrEmpty(
                    'resting',
                    static fn(ObjectNode $rest): array => [$rest->key('prescription'), $rest->day('until')],
                )
                as [$key, $until]
            ) {
                $resting[$key] = $until;
            }

            $exercises = array_column($node->eachOrEmpty('exercises', Exercise::read(...)), null, 'key');

            return new self(
                $stages,
                $resting,
                $exercises,
                $node->eachOrEmpty('left_out', Prescription::read(...)),
                $node->choicesOrNull('available', Weekday::class),
                $node->dayOrNull('rest_until'),
                $node->childOrNull('maintenance', Maintenance::read(...)),
            );
        });
    }

    /** @return list<PlanStage> */
    public static function readStages(ObjectNode $node): array
    {
        $stages = $node->each('stages', PlanStage::read(...));
        $seen = [];
        foreach ($stages as $i => $stage) {
            $active = count($stage->stage->prescriptions);
            foreach ($stage->prescriptions() as $j => $prescription) {
                if (isset($seen[$prescription->key])) {
                    $node->inItem(
                        "stages/$i/" .
                            ($j < $active ? "prescriptions/$j/key" : 'waiting/' . ($j - $active) . '/prescription/key'),
                        'is there twice; every prescription needs its own',
                    );
                }
                $seen[$prescription->key] = true;
            }
        }
        $node->unique('stages', 'key', array_map(static fn(PlanStage $stage): string => $stage->stage->key, $stages));

        return $stages;
    }

    /** @return list<Stage> */
    public function caseStages(): array
    {
        return array_map(static fn(PlanStage $stage): Stage => $stage->stage, $this->stages);
    }

    /**
     * The stages as a case file has them: what was left out, and what has not begun, stands in a stage of its own that applies
     * to no goal of this athlete, so that sessions go on naming something that exists and nothing is proposed for it.
     *
     * @return list<Stage>
     */
    public function fileStages(Goal $goal): array
    {
        $stages = $this->caseStages();
        $notAsked = [
            ...$this->leftOut,
            ...array_merge(
                ...array_map(
                    static fn(PlanStage $stage): array => array_column($stage->waiting, 'prescription'),
                    $this->stages,
                ),
            ),
        ];
        if ($notAsked !== []) {
            $other = $goal === Goal::Everyday ? Goal::Strength : Goal::Everyday;
            $stages[] = new Stage(self::LEFT_OUT, 'Left out', Mode::Mixed, [$other], [], $notAsked);
        }

        return $stages;
    }

    public function stage(string $key): ?PlanStage
    {
        foreach ($this->stages as $stage) {
            if ($stage->stage->key === $key) {
                return $stage;
            }
        }

        return null;
    }

    /** The plan with one prescription replaced by another of the same key. */
    public function withPrescription(Prescription $new): self
    {
        $stages = array_map(
            static fn(PlanStage $stage): PlanStage => $stage->withStage(
                $stage->stage->withPrescriptions(
                    array_map(
                        static fn(Prescription $p): Prescription => $p->key === $new->key ? $new : $p,
                        $stage->stage->prescriptions,
                    ),
                ),
            ),
            $this->stages,
        );

        return $this->with(['stages' => $stages]);
    }

    /** @param callable(PlanStage): PlanStage $change */
    public function mapStages(callable $change): self
    {
        return $this->with(['stages' => array_map($change, $this->stages)]);
    }

    /** The plan with one stage in another form; what it no longer asks for is kept as left out. */
    public function withStage(PlanStage $new): self
    {
        $left = $this->leftOut;
        $asked = array_column($new->stage->prescriptions, 'key');
        foreach ($this->stage($new->stage->key)->stage->prescriptions ?? [] as $before) {
            if (!in_array($before->key, $asked, true)) {
                $left[] = $before;
            }
        }

        return $this->with(['leftOut' => $left])->mapStages(
            static fn(PlanStage $stage): PlanStage => $stage->stage->key === $new->stage->key ? $new : $stage,
        );
    }

    /** The plan that still knows what another asked for: nothing that a phone may have been given is forgotten. */
    public function remembering(self $other): self
    {
        $known = array_column([...$this->prescriptions(), ...$this->leftOut], 'key', 'key');
        $new = array_filter(
            [...$other->prescriptions(), ...$other->leftOut],
            static fn(Prescription $prescription): bool => !isset($known[$prescription->key]),
        );

        return $new === [] ? $this : $this->with(['leftOut' => [...$this->leftOut, ...array_values($new)]]);
    }

    /** @param list<Weekday>|null $available */
    public function onDays(?array $available): self
    {
        return $this->with(['available' => $available]);
    }

    public function restingAllUntil(Day $until): self
    {
        return $this->with(['restUntil' => $until]);
    }

    public function maintained(Maintenance $maintenance): self
    {
        return $this->with(['maintenance' => $maintenance]);
    }

    /** The plan in which a programme goes on: what was kept up after its end is kept up no more. */
    public function goingOn(): self
    {
        return $this->maintenance === null ? $this : $this->with(['maintenance' => null]);
    }

    /** The plan for somebody with both sides affected: what the affected limb would do, each does in turn. */
    public function onBothSides(): self
    {
        return $this->mapStages(static fn(PlanStage $stage): PlanStage => $stage->onBothSides());
    }

    /** @return list<Prescription> of all stages, those that begin later among them */
    public function prescriptions(): array
    {
        return array_merge(...array_map(static fn(PlanStage $stage): array => $stage->prescriptions(), $this->stages));
    }

    /**
     * A key for a new prescription that nothing in the plan has or had: the wanted one, or else with a number.
     *
     * @param list<string> $besides what else must not be taken
     */
    public function freeKey(string $wanted, array $besides = []): string
    {
        $taken = array_column([...$this->prescriptions(), ...$this->leftOut], 'key', 'key') + array_flip($besides);
        $key = $wanted;
        for ($i = 2; isset($taken[$key]); $i++) {
            $key = "$wanted-$i";
        }

        return $key;
    }

    /**
     * The plan with copies of those of its exercises that are the practice's own and are not kept yet.
     *
     * @param array<string, Exercise> $own the practice's own exercises, by key
     */
    public function keeping(array $own): self
    {
        $asked = array_column($this->prescriptions(), 'exercise', 'exercise');
        $exercises = $this->exercises + array_intersect_key($own, $asked);

        return $this->with(['exercises' => $exercises]);
    }

    public function restingUntil(string $prescription, Day $until): self
    {
        return $this->with(['resting' => [...$this->resting, $prescription => $until]]);
    }

    public function rests(string $prescription, Day $on): bool
    {
        return $this->restsUntil($prescription, $on) !== null;
    }

    /** The day from which a prescription that rests on a day is asked for again; null where it does not rest. */
    public function restsUntil(string $prescription, Day $on): ?Day
    {
        $latest = null;
        foreach ([$this->restUntil, $this->resting[$prescription] ?? null] as $until) {
            if ($until !== null && $until->isAfter($latest ?? $on)) {
                $latest = $until;
            }
        }

        return $latest;
    }

    /** The plan in which nothing rests any more. */
    public function rested(): self
    {
        return $this->with(['resting' => [], 'restUntil' => null]);
    }

    /**
     * Whether the morning is asked for: every day, and while doses are kept up on days with a session and those after.
     *
     * @param array<string, string> $slots of the days that have a session, by date
     */
    public function asksMorning(array $slots, Day $on): bool
    {
        return $this->maintenance === null || isset($slots[$on->toIso()]) || isset($slots[$on->plus(-1)->toIso()]);
    }

    public function restsAltogether(Day $on): bool
    {
        return $this->restUntil !== null && $this->restUntil->isAfter($on);
    }

    /** @return list<string> kinds of session with days of their own, each as "stage/slot" */
    public function beside(): array
    {
        $found = [];
        foreach ($this->stages as $stage) {
            foreach ($stage->slots as $slot) {
                if ($slot->beside !== null) {
                    $found[] = "{$stage->stage->key}/$slot->key";
                }
            }
        }

        return $found;
    }

    /** Whether a slot of a stage has nothing to be done on a day: all its exercises rest, have not begun, or everything rests. */
    public function slotRests(PlanStage $stage, string $slot, Day $on): bool
    {
        $done = array_filter(
            $stage->stage->prescriptions,
            fn(Prescription $prescription): bool => $prescription->slot === $slot &&
                !$this->rests($prescription->key, $on),
        );

        return $this->restsAltogether($on) || ($done === [] && $stage->slot($slot)?->mode !== Mode::Sport);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $resting = [];
        foreach ($this->resting as $prescription => $until) {
            $resting[] = ['prescription' => $prescription, 'until' => $until->toIso()];
        }

        return [
            'stages' => array_map(static fn(PlanStage $stage): array => $stage->toArray(), $this->stages),
            'resting' => $resting,
            'exercises' => array_values(
                array_map(static fn(Exercise $exercise): array => $exercise->toArray(), $this->exercises),
            ),
            'left_out' => array_map(static fn(Prescription $exercise): array => $exercise->toArray(), $this->leftOut),
            'available' => $this->available === null ? null : array_column($this->available, 'value'),
            'rest_until' => $this->restUntil?->toIso(),
            'maintenance' => $this->maintenance?->toArray(),
        ];
    }

    /** @param array{stages?: list<PlanStage>, resting?: array<string, Day>, exercises?: array<string, Exercise>, leftOut?: list<Prescription>, available?: list<Weekday>|null, restUntil?: Day|null, maintenance?: Maintenance|null} $changes */
    private function with(array $changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are the constructor's own) */
        return new self(...array_replace(get_object_vars($this), $changes));
    }
}
