<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;

/** A stage of a programme: what is done in it, and what opens the gate to the next. */
final readonly class Stage
{
    /**
     * @param list<Goal>|null $goals the goals for which it applies; null: all
     * @param list<Criterion> $gate
     * @param list<Prescription> $prescriptions
     */
    public function __construct(
        public string $key,
        public string $title,
        public Mode $mode,
        public ?array $goals,
        public array $gate,
        public array $prescriptions,
        public ?string $notes = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $stage = new self(
            $node->key('key'),
            $node->text('title'),
            $node->choice('mode', Mode::class),
            self::readGoals($node),
            $node->each('gate', Criterion::read(...)),
            $node->each('prescriptions', Prescription::read(...)),
            $node->textOrNull('notes'),
        );

        return $stage;
    }

    /** @return list<Goal>|null */
    public static function readGoals(ObjectNode $node): ?array
    {
        $goals = $node->choicesOrNull('goals', Goal::class);
        if ($goals === [] && $node->isEmptyList('goals')) {
            $node->fault('goals', 'must name at least one goal, or be left out where the stage is for all');
        }

        return $goals;
    }

    public function appliesTo(Goal $goal): bool
    {
        return $this->goals === null || in_array($goal, $this->goals, true);
    }

    public function prescription(string $key): ?Prescription
    {
        foreach ($this->prescriptions as $prescription) {
            if ($prescription->key === $key) {
                return $prescription;
            }
        }

        return null;
    }

    /** @param list<Prescription> $prescriptions */
    public function withPrescriptions(array $prescriptions): self
    {
        return new self($this->key, $this->title, $this->mode, $this->goals, $this->gate, $prescriptions, $this->notes);
    }

    /** @param list<Criterion> $gate */
    public function withGate(array $gate): self
    {
        return new self($this->key, $this->title, $this->mode, $this->goals, $gate, $this->prescriptions, $this->notes);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'key' => $this->key,
                'title' => $this->title,
                'mode' => $this->mode->value,
                'goals' =>
                    $this->goals === null
                        ? null
                        : array_map(static fn(Goal $goal): string => $goal->value, $this->goals),
                'gate' => array_map(static fn(Criterion $criterion): array => $criterion->toArray(), $this->gate),
                'prescriptions' => array_map(static fn(Prescription $p): array => $p->toArray(), $this->prescriptions),
                'notes' => $this->notes,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
