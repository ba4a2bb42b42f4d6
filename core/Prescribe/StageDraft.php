<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\Waiting;
use Rung\Core\Stage\OverPrescription;
use Rung\Core\Time\Day;

/** A stage as a practitioner is about to prescribe it (docs/rules.md, "Prescribing"). */
final readonly class StageDraft
{
    /** A version may wait so many days for its first one. */
    public const MAX_DAYS_AHEAD = 180;

    private function __construct(
        public PlanStage $before,
        public PlanStage $stage,
        /** @var list<Weekday> */
        public array $available,
        public Day $from,
        /** Whether what rests is asked for again from that day on. */
        public bool $endsRest,
    ) {}

    /**
     * Reads `stage`, `prescriptions`, `rhythm`, `slots` (their times, days of their own and rungs of practice), `begins_later`
     * (keys of what goes on waiting), `available`, `from` and `ends_rest` over the plan in force.
     *
     * @param list<Weekday> $available the days in force
     * @param bool $bothSides whether both sides are affected, so that each limb takes its turn
     */
    public static function read(
        ObjectNode $node,
        Plan $plan,
        Catalogue $catalogue,
        array $available,
        Day $today,
        int|float|null $bodyMassKg,
        bool $bothSides = false,
    ): self {
        $key = $node->key('stage');
        $before = $plan->stage($key);
        $prescriptions = $node->each(
            'prescriptions',
            static fn(ObjectNode $prescription): Prescription => $bothSides
                ? Prescription::read($prescription)->onBothSides()
                : Prescription::read($prescription),
        );
        $rhythm = $node->childOrNull('rhythm', Rhythm::read(...));
        $slots = $node->eachOrEmpty('slots', static fn(ObjectNode $slot): Slot => self::slot($slot, $before));
        $later = $node->textsOrNull('begins_later');
        $days = $node->choicesOrNull('available', Weekday::class);
        $from = $node->dayOrNull('from');
        $endsRest = $node->flagOrNull('ends_rest') ?? false;
        if ($before === null) {
            $node->fault('stage', 'must name a stage of the plan');
            $before = $plan->stages[0];
        }
        if ($days === []) {
            $node->fault('available', 'must hold at least one day of the week');
        }
        if ($from !== null && $from->number !== 0 && $today->isAfter($from)) {
            $node->fault('from', 'must be today or later: what was done stays as it was asked');
            $from = null;
        }
        if ($from !== null && $from->daysSince($today) > self::MAX_DAYS_AHEAD) {
            $node->fault('from', 'must lie within ' . self::MAX_DAYS_AHEAD . ' days');
            $from = null;
        }
        if ($before->stage->key === $key) {
            self::check($node, $prescriptions, $before, $catalogue, $bodyMassKg);
        }

        return new self(
            $before,
            self::drawnUp(
                $node,
                $before,
                self::keyed($prescriptions, $before, $plan),
                array_column($slots, null, 'key'),
                $rhythm,
                $later,
            ),
            $days ?? $available,
            $from ?? $today,
            $endsRest,
        );
    }

    private static function slot(ObjectNode $node, ?PlanStage $stage): Slot
    {
        $slot = $stage?->slot($node->key('key'));
        if ($slot === null) {
            $node->fault('key', 'must name one of the kinds of session of the stage');
        }

        // A slot that is none is read too, so that its fields are no unknown ones.
        return ($slot ?? new Slot('', Mode::Sport))->readDetails($node);
    }

    /**
     * @param list<Prescription> $prescriptions
     * @param array<string, Slot> $slots that are another now, by key
     * @param list<string>|null $later keys of what goes on waiting; null: all that is not asked for now
     */
    private static function drawnUp(
        ObjectNode $node,
        PlanStage $before,
        array $prescriptions,
        array $slots,
        ?Rhythm $rhythm,
        ?array $later,
    ): PlanStage {
        $asked = array_column($prescriptions, 'key');
        $stage = new PlanStage(
            $before->stage->withPrescriptions($prescriptions),
            array_map(static fn(Slot $slot): Slot => $slots[$slot->key] ?? $slot, $before->slots),
            $rhythm ?? $before->rhythm,
            array_values(
                array_filter(
                    $before->waiting,
                    static fn(Waiting $waiting): bool => !in_array($waiting->prescription->key, $asked, true) &&
                        ($later === null || in_array($waiting->prescription->key, $later, true)),
                ),
            ),
        );
        $inTurn = array_column($stage->inTurn(), 'key');
        if ($inTurn === [] && $before->inTurn() !== []) {
            $node->fault('slots', 'must leave one kind of session that takes its turn in the rhythm');
        }
        if ($stage->rhythm->cycle !== null && array_diff($stage->rhythm->cycle, $inTurn) !== []) {
            $node->fault(
                'rhythm',
                'must not name a kind of session that has days of its own, or that the stage does not have',
            );
        }

        return $stage;
    }

    /** What it makes of a plan: the stage in its new form, what is no longer asked for kept as left out. */
    public function into(Plan $plan): Plan
    {
        return ($this->endsRest ? $plan->rested() : $plan)->withStage($this->stage)->onDays($this->available);
    }

    /** @param list<Prescription> $prescriptions */
    private static function check(
        ObjectNode $node,
        array $prescriptions,
        PlanStage $before,
        Catalogue $catalogue,
        int|float|null $bodyMassKg,
    ): void {
        $slots = array_column($before->slots, 'key');
        foreach ($prescriptions as $i => $prescription) {
            if (!in_array($prescription->slot, $slots, true)) {
                $node->inItem("prescriptions/$i/slot", 'must name one of the kinds of session of the stage');
            }
            if (
                $prescription->exercise !== '' &&
                !isset($catalogue->exercises[$prescription->exercise]) &&
                $before->stage->prescription($prescription->key)?->exercise !== $prescription->exercise
            ) {
                $node->inItem("prescriptions/$i/exercise", 'must name an exercise of the library');
            }
            // What was on the plan before stays allowed: the library may have changed since.
            if (
                $prescription->ladder !== null &&
                $prescription->ladder !== $before->stage->prescription($prescription->key)?->ladder
            ) {
                $rungs = $catalogue->ladderOf($prescription->exercise)?->exercises() ?? [];
                if (array_values(array_intersect($rungs, $prescription->ladder)) !== $prescription->ladder) {
                    $node->inItem(
                        "prescriptions/$i/ladder",
                        'must hold rungs of its ladder in the library, easier first',
                    );
                }
            }
            if ($bodyMassKg === null && ($prescription->dose->body_fraction ?? 0) > 0) {
                $node->inItem(
                    "prescriptions/$i/dose/body_fraction",
                    "needs the athlete's body mass, which is not known: set it to 0, or record the mass",
                );
            }
        }
        $keys = array_column($prescriptions, 'key');
        $node->unique('prescriptions', 'key', $keys);
        foreach ($before->stage->gate as $criterion) {
            $asked = $criterion instanceof OverPrescription ? $criterion->prescription() : null;
            if ($asked !== null && !in_array($asked, $keys, true) && $prescriptions !== []) {
                $title = $catalogue->titleOf($before->stage->prescription($asked)->exercise ?? $asked);
                $node->fault(
                    'prescriptions',
                    "must keep $title: the gate of this stage asks for a dose of it. Swap it for another rung instead",
                );
            }
        }
    }

    /**
     * New exercises get keys that nothing else in the plan has.
     *
     * @param list<Prescription> $prescriptions
     *
     * @return list<Prescription>
     */
    private static function keyed(array $prescriptions, PlanStage $before, Plan $plan): array
    {
        $own = array_column($before->prescriptions(), 'key', 'key');
        $new = [];

        return array_map(static function (Prescription $prescription) use ($plan, $own, &$new): Prescription {
            if (isset($own[$prescription->key])) {
                return $prescription;
            }
            $new[] = $key = $plan->freeKey($prescription->key, $new);

            return $prescription->withKey($key);
        }, $prescriptions);
    }
}
