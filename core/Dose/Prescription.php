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
    ) {}

    public static function read(ObjectNode $node): self
    {
        $mode = $node->choice('mode', Mode::class);
        if ($mode === Mode::Mixed) {
            $node->fault('mode', 'must be a single mode; mixed is for stages');
        }

        return new self(
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
        );
    }

    public function withDose(Dose $dose): self
    {
        return $this->withExercise($this->exercise, $this->mode, $this->limbs, $dose, $this->cue);
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
        );
    }

    public function withKey(string $key): self
    {
        return new self($key, $this->exercise, $this->mode, $this->limbs, $this->dose, $this->pain, $this->progression, $this->slot, $this->cue, $this->notes);
    }

    public function inSlot(?string $slot): self
    {
        return new self($this->key, $this->exercise, $this->mode, $this->limbs, $this->dose, $this->pain, $this->progression, $slot, $this->cue, $this->notes);
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
        return array_filter([
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
        ], static fn(mixed $value): bool => $value !== null);
    }
}
