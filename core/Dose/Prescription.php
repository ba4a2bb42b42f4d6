<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** One exercise as it is asked of an athlete. */
final readonly class Prescription
{
    public function __construct(
        /** Names it in sessions and decisions; stays the same when dose or rung change. */
        public string $key,
        /** The exercise of the catalogue or of the practice's library. */
        public string $exercise,
        public Mode $mode,
        public Limbs $limbs,
        public Dose $dose,
        public ?PainLimits $pain = null,
        public ?Progression $progression = null,
        /** The slot of the stage's calendar in which it is done. */
        public ?string $slot = null,
        public ?string $cue = null,
        public ?string $notes = null,
        /** @var list<string>|null the rungs that this athlete may take, easier first; null where none are known */
        public ?array $ladder = null,
        /** What was asked before the latest change of dose, where that raised it. */
        public ?RungDose $before = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $mode = $node->choice('mode', Mode::class);
        if ($mode === Mode::Mixed) {
            $node->fault('mode', 'must be a single mode; mixed is for stages');
        }

        $prescription = new self(
            $node->key('key'),
            $node->key('exercise'),
            $mode,
            $node->choice('limbs', Limbs::class),
            $node->child('dose', Dose::read(...)),
            $node->childOrNull('pain', PainLimits::read(...)),
            $node->childOrNull('progression', Progression::read(...)),
            $node->textOrNull('slot'),
            $node->textOrNull('cue'),
            $node->textOrNull('notes'),
            $node->textsOrNull('ladder'),
            $node->childOrNull('before', RungDose::read(...)),
        );
        $prescription->check($node);

        return $prescription;
    }

    private function check(ObjectNode $node): void
    {
        if (
            $this->ladder !== null &&
            (!in_array($this->exercise, $this->ladder, true) ||
                count(array_unique($this->ladder)) < count($this->ladder))
        ) {
            $node->fault('ladder', "must hold the prescription's own exercise, and each exercise once");
        }
        if ($this->pain?->min !== null && $this->pain->max !== null && $this->pain->min > $this->pain->max) {
            $node->inItem('pain/min', 'must not be over pain/max');
        }
        $corridor = $this->dose->corridor();
        foreach ($this->progression->levers ?? [] as $i => $lever) {
            $back = $corridor === null ? null : $lever->back[$corridor->field] ?? null;
            if ($corridor !== null && $back !== null && $back > $corridor->to) {
                $node->inItem(
                    "progression/levers/$i/back/$corridor->field",
                    'must not be over the upper end of the dose',
                );
            }
        }
        foreach ($this->progression->blocks ?? [] as $i => $block) {
            if ($block->reps_to !== null && $corridor !== null && $corridor->field !== 'reps') {
                $node->inItem("progression/blocks/$i/reps_to", 'cannot stand where the dose has another upper end');
            }
        }
    }

    public function withDose(Dose $dose): self
    {
        return $this->withExercise($this->exercise, $this->mode, $this->limbs, $dose, $this->cue);
    }

    /** The same, with what was asked before it was raised; null where it was not. */
    public function raisedFrom(?RungDose $before): self
    {
        return new self(
            $this->key,
            $this->exercise,
            $this->mode,
            $this->limbs,
            $this->dose,
            $this->pain,
            $this->progression,
            $this->slot,
            $this->cue,
            $this->notes,
            $this->ladder,
            $before,
        );
    }

    /** @param list<string>|null $ladder the rungs that the athlete may take, easier first */
    public function onLadder(?array $ladder): self
    {
        return new self(
            $this->key,
            $this->exercise,
            $this->mode,
            $this->limbs,
            $this->dose,
            $this->pain,
            $this->progression,
            $this->slot,
            $this->cue,
            $this->notes,
            $ladder,
            $this->before,
        );
    }

    public function isFirstRung(): bool
    {
        return ($this->ladder[0] ?? null) === $this->exercise;
    }

    public function isLastRung(): bool
    {
        return $this->ladder !== null && $this->ladder[count($this->ladder) - 1] === $this->exercise;
    }

    /** The exercise so many rungs up (down where negative) the athlete's ladder; null where there is none or no ladder. */
    public function rung(int $steps): ?string
    {
        $place = array_search($this->exercise, $this->ladder ?? [], true);

        return is_int($place) ? $this->ladder[$place + $steps] ?? null : null;
    }

    /** The same place in the stage, filled by another rung of the ladder. */
    public function withExercise(string $exercise, Mode $mode, Limbs $limbs, Dose $dose, ?string $cue): self
    {
        return new self(
            $this->key,
            $exercise,
            $mode,
            $limbs,
            $dose,
            $this->pain,
            $this->progression,
            $this->slot,
            $cue,
            $this->notes,
            in_array($exercise, $this->ladder ?? [], true) ? $this->ladder : null,
        );
    }

    public function withProgression(?Progression $progression): self
    {
        return new self(
            $this->key,
            $this->exercise,
            $this->mode,
            $this->limbs,
            $this->dose,
            $this->pain,
            $progression,
            $this->slot,
            $this->cue,
            $this->notes,
            $this->ladder,
            $this->before,
        );
    }

    /** The same for somebody with both sides affected: each limb takes its turn (docs/rules.md, "Sets of both sides"). */
    public function onBothSides(): self
    {
        return new self(
            $this->key,
            $this->exercise,
            $this->mode,
            $this->limbs->onBothSides(),
            $this->dose,
            $this->pain,
            $this->progression,
            $this->slot,
            $this->cue,
            $this->notes,
            $this->ladder,
            $this->before,
        );
    }

    public function withKey(string $key): self
    {
        return new self(
            $key,
            $this->exercise,
            $this->mode,
            $this->limbs,
            $this->dose,
            $this->pain,
            $this->progression,
            $this->slot,
            $this->cue,
            $this->notes,
            $this->ladder,
            $this->before,
        );
    }

    public function inSlot(?string $slot): self
    {
        return new self(
            $this->key,
            $this->exercise,
            $this->mode,
            $this->limbs,
            $this->dose,
            $this->pain,
            $this->progression,
            $slot,
            $this->cue,
            $this->notes,
            $this->ladder,
            $this->before,
        );
    }

    public function maxPain(int $ruleMax): int
    {
        return $this->pain->max ?? $ruleMax;
    }

    public function minPain(): ?int
    {
        return $this->pain?->min;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'key' => $this->key,
                'exercise' => $this->exercise,
                'mode' => $this->mode->value,
                'limbs' => $this->limbs->value,
                'slot' => $this->slot,
                'cue' => $this->cue,
                'notes' => $this->notes,
                'pain' => $this->pain === null ? null : (object) $this->pain->toArray(),
                'dose' => $this->dose->toArray(),
                'progression' => $this->progression?->toArray(),
                'ladder' => $this->ladder,
                'before' => $this->before?->toArray(),
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
