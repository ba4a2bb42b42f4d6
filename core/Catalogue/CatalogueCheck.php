<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Dose\Lever;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\ExercisePain;
use Rung\Core\Stage\OutcomeBound;
use Rung\Core\Stage\OverPrescription;
use Rung\Core\Stage\OverTest;
use Rung\Core\Stage\TestValue;

/**
 * Whether the parts of a catalogue fit each other: nothing named that is not there, ladders in one
 * piece, gates that can open. Each check yields faults as path within the item => message.
 */
final readonly class CatalogueCheck
{
    /** Sets below which an ease takes none off. */
    private const FEWEST_SETS = 2;

    /** The most pain, 0–10, that is let be in work beside the stage. */
    private const MOST_PAIN_BESIDE = 2;

    /** @param list<string> $givingWay keys of ladders beside which a practice's own may stand */
    public function __construct(private Catalogue $catalogue, private array $givingWay = []) {}

    /** @return iterable<string, string> */
    public function exercise(Exercise $exercise): iterable
    {
        if ($exercise->equipment !== [] && $exercise->stand_in === null) {
            yield 'stand_in' => 'must name an exercise for those who lack the equipment';
        }
        $seen = [$exercise->key => true];
        for (
            $next = $exercise->stand_in;
            $next !== null;
            $next = $this->catalogue->exercises[$next]->stand_in ?? null
        ) {
            $standIn = $this->catalogue->exercises[$next] ?? null;
            if ($standIn === null) {
                yield 'stand_in' => "names \"$next\", which is no exercise of the library";

                return;
            }
            if (isset($seen[$next])) {
                yield 'stand_in' => 'comes back to itself through other stand-ins; one of them must need no equipment';

                return;
            }
            if (self::kind($standIn->mode) !== self::kind($exercise->mode)) {
                yield 'stand_in' => "names \"$next\", which is another kind of exercise";

                return;
            }
            $seen[$next] = true;
        }
    }

    /** @return iterable<string, string> */
    public function ladder(Ladder $ladder): iterable
    {
        foreach ($ladder->exercises() as $i => $key) {
            if (!isset($this->catalogue->exercises[$key])) {
                yield "rungs/$i/exercise" => "names \"$key\", which is no exercise of the library";
            }
            foreach ($this->catalogue->ladders as $other) {
                if (
                    $other->key === $ladder->key ||
                    in_array($other->key, $this->givingWay, true) ||
                    !in_array($key, $other->exercises(), true)
                ) {
                    continue;
                }
                yield "rungs/$i/exercise" => "stands on the ladder \"$other->title\" already; an exercise is a rung of one ladder";
            }
        }
    }

    /** @return iterable<string, string> */
    public function programme(Programme $programme): iterable
    {
        if (!isset($this->catalogue->schools[$programme->rule])) {
            yield 'rule' => "names \"$programme->rule\", which is no response rule of the library";
        }
        if ($programme->structures === []) {
            yield 'structures' => 'must name at least one structure';
        }
        if ($programme->plan->stages === []) {
            yield 'stages' => 'must hold at least one stage';
        }
        $own = array_column($programme->plan->prescriptions(), 'key');
        foreach ($programme->variants as $v => $variant) {
            foreach ($variant->exercises as $prescription => $exercise) {
                if (!in_array($prescription, $own, true)) {
                    yield "variants/$v/exercises/$prescription" => 'is no prescription of the programme';
                } elseif (!isset($this->catalogue->exercises[$exercise])) {
                    yield "variants/$v/exercises/$prescription" => "names \"$exercise\", which is no exercise of the library";
                }
            }
        }
        foreach ($programme->plan->stages as $s => $stage) {
            foreach ($this->stage($programme, $stage, $own) as $path => $message) {
                yield "stages/$s/$path" => $message;
            }
        }
    }

    /**
     * @param list<string> $own keys of the programme's prescriptions
     *
     * @return iterable<string, string>
     */
    private function stage(Programme $programme, PlanStage $planned, array $own): iterable
    {
        if ($planned->stage->gate === []) {
            yield 'gate' => 'must hold at least one criterion: an empty gate never opens';
        }
        foreach ($planned->stage->gate as $i => $criterion) {
            foreach ($this->criterion($programme, $planned, $criterion) as $field => $message) {
                yield "gate/$i/$field" => $message;
            }
        }
        foreach ($planned->stage->prescriptions as $i => $prescription) {
            foreach (
                [...$this->prescription($prescription), ...self::inSlot($prescription, $planned)]
                as $field => $message
            ) {
                yield "prescriptions/$i/$field" => $message;
            }
        }
        foreach ($planned->waiting as $i => $waiting) {
            foreach (
                [...$this->prescription($waiting->prescription), ...self::inSlot($waiting->prescription, $planned)]
                as $field => $message
            ) {
                yield "waiting/$i/prescription/$field" => $message;
            }
            $finding = $waiting->startsWhen->finding;
            if ($finding !== null && !isset($this->catalogue->findings[$finding])) {
                yield "waiting/$i/starts_when/finding" => "names \"$finding\", which is no finding of the screening";
            }
        }
    }

    /** @return iterable<string, string> */
    private static function inSlot(Prescription $prescription, PlanStage $planned): iterable
    {
        $slot = $planned->slot($prescription->slot);
        if ($prescription->slot !== null && !in_array($prescription->slot, self::slotsWithDays($planned), true)) {
            yield 'slot' => "never comes: put \"$prescription->slot\" into the rhythm, or the exercise into another slot";
        }
        if ($slot?->mode === Mode::Sport) {
            yield 'slot' => 'is practice of the sport, which holds no exercises; give it a slot of its own';
        }
        if (
            $slot?->beside !== null &&
            ($prescription->pain?->max === null || $prescription->pain->max > self::MOST_PAIN_BESIDE)
        ) {
            yield 'pain/max' => 'must be ' .
                self::MOST_PAIN_BESIDE .
                ' or less: work beside the stage is done without more pain than that';
        }
    }

    /** @return list<string> slots that the rhythm places, one without a cycle the first alone; and those with days of their own */
    private static function slotsWithDays(PlanStage $planned): array
    {
        $inTurn = array_column($planned->inTurn(), 'key');

        return [
            ...$planned->rhythm->cycle ?? array_slice($inTurn, 0, 1),
            ...array_diff(array_column($planned->slots, 'key'), $inTurn),
        ];
    }

    /** The most sessions that a rhythm places in so many days, with every day free. */
    private static function mostSessions(PlanStage $planned, int $days): int
    {
        $rhythm = $planned->rhythm;
        $perDay = max([1, ...array_column($planned->inTurn(), 'times_per_day')]);

        return $perDay *
            match (true) {
                $rhythm->per_week !== null => intdiv($days * $rhythm->per_week, 7),
                default => intdiv($days + ($rhythm->every_days ?? 1) - 1, $rhythm->every_days ?? 1),
            };
    }

    /** @return iterable<string, string> */
    public function measure(Measure $measure): iterable
    {
        foreach ($measure->exercises as $i => $key) {
            if (!isset($this->catalogue->exercises[$key])) {
                yield "exercises/$i" => "names \"$key\", which is no exercise of the library";
            }
        }
        if ($measure->ratio === null) {
            return;
        }
        $other = $this->catalogue->measures[$measure->ratio->to] ?? null;
        if ($other === null || $other->key === $measure->key) {
            yield 'ratio/to' => "names \"{$measure->ratio->to}\", which is no other measure of the library";
        } elseif ($other->unit !== $measure->unit || $other->eachSide !== $measure->eachSide) {
            yield 'ratio/to' => "names \"{$other->key}\", which is measured in another unit or of other sides";
        }
    }

    /** @return iterable<string, string> */
    private function criterion(Programme $programme, PlanStage $planned, Criterion $criterion): iterable
    {
        if (
            $criterion instanceof OverPrescription &&
            $planned->stage->prescription($criterion->prescription()) === null
        ) {
            yield 'prescription' => 'must name a prescription of this stage';
        } elseif (
            $criterion instanceof OverPrescription &&
            $planned->slot($planned->stage->prescription($criterion->prescription())?->slot)?->beside !== null
        ) {
            yield 'prescription' => 'is work beside the stage, which holds no gate';
        }
        if (
            $criterion instanceof OverTest &&
            $criterion->test !== Programme::TEST_OF_STRUCTURE &&
            !(
                $this->catalogue->measure($criterion->test)->eachSide &&
                isset($this->catalogue->measures[$criterion->test])
            )
        ) {
            yield 'test' => "names \"$criterion->test\", which is no measure of both sides in the library";
        }
        if (
            $criterion instanceof ExercisePain &&
            $criterion->min_sessions > self::mostSessions($planned, $criterion->days)
        ) {
            yield 'min_sessions' => "asks for more sessions in $criterion->days days than the rhythm places; ask for fewer or look at more days";
        }
        if ($criterion instanceof TestValue && $criterion->min <= 1) {
            yield 'min' => 'is met by any test; ask for a value that not every test meets, or leave the criterion out';
        }
        if ($criterion instanceof OutcomeBound && $criterion->measure !== $programme->severityMeasure) {
            yield 'measure' => 'must be the severity score of the programme';
        }
    }

    /** @return iterable<string, string> */
    private function prescription(Prescription $prescription): iterable
    {
        $exercise = $this->catalogue->exercises[$prescription->exercise] ?? null;
        if ($exercise === null) {
            yield 'exercise' => "names \"$prescription->exercise\", which is no exercise of the library";

            return;
        }
        if ($exercise->mode !== $prescription->mode) {
            yield 'mode' => "must be {$exercise->mode->value}, as the exercise is";
        }
        if ($exercise->loadIsFound && ($prescription->dose->load_kg ?? 0) > 0) {
            yield 'dose/load_kg' => 'depends on the person; leave it out, so that it is found in the room';
        }
        $levers = $prescription->progression->levers ?? [];
        if (
            $prescription->dose->sets > self::FEWEST_SETS &&
            $prescription->progression?->blocks === null &&
            ($levers[0] ?? null)?->kind !== LeverKind::Sets
        ) {
            yield 'progression/levers/0' => "must be sets, up to {$prescription->dose->sets} at least, so that a set that was taken off comes back";
        }
        $phases = [];
        foreach ($levers as $i => $lever) {
            if ($prescription->dose->resistance !== null && $lever->increment_kg !== null) {
                yield "progression/levers/$i" => 'adds kilograms to a band; let it grow by resistance, with the labels of the band set';
            }
            if ($lever->phase !== null && isset($phases[$lever->phase->value])) {
                yield "progression/levers/$i/phase" => 'has a lever already; one phase of a tempo has one';
            }
            $phases += $lever->phase === null ? [] : [$lever->phase->value => true];
            if ($i < count($levers) - 1 && self::goesOnWithoutEnd($lever)) {
                yield "progression/levers/$i" => 'goes on without end, so what stands after it is never reached; give it an upper end or put it last';
            }
            if (
                $i === count($levers) - 1 &&
                !self::goesOnWithoutEnd($lever) &&
                $prescription->ladder === null &&
                $this->catalogue->ladderOf($exercise->key) === null
            ) {
                yield 'ladder' => 'must name the exercise itself: it stands on no ladder, so nothing comes after its last lever';
            }
            if (
                $lever->kind === LeverKind::Rung &&
                $lever->exercise !== null &&
                !$this->leadsUp($prescription->exercise, $lever)
            ) {
                yield "progression/levers/$i/to" => "must name a rung above \"$exercise->title\" on its ladder";
            }
        }
    }

    private static function goesOnWithoutEnd(Lever $lever): bool
    {
        return ($lever->kind === LeverKind::Load && $lever->to === null) ||
            ($lever->kind === LeverKind::Rung && $lever->exercise === null);
    }

    private function leadsUp(string $from, Lever $lever): bool
    {
        $rungs = $this->catalogue->ladderOf($from)?->exercises() ?? [];
        $to = array_search($lever->exercise, $rungs, true);

        return $to !== false && $to > array_search($from, $rungs, true);
    }

    /** Holds, strength, and each other mode for itself. */
    private static function kind(Mode $mode): string
    {
        return $mode->isMoving() ? 'strength' : $mode->value;
    }
}
