<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** One way in which a dose may grow, with its bound and its step. */
final readonly class Lever
{
    /** Fields that a `load` lever may set back. */
    private const BACK = ['sets', 'reps', 'hold_s', 'work_s', 'percent_mvc'];

    /** @param array{sets?: int, reps?: int, hold_s?: int|float, work_s?: int|float, percent_mvc?: int|float}|null $back */
    private function __construct(
        public LeverKind $kind,
        /** The bound in the unit of what the lever changes; null for a load without one, and for a rung. */
        public int|float|null $to,
        private int|float|null $step,
        /** Of a `tempo` lever. */
        public ?Phase $phase,
        /** Of a `load` or `rm` lever: the least change of weight that can be made, in kilograms. */
        public int|float|null $increment_kg,
        /** Of a `load` lever: what is set back when the load grows. */
        public ?array $back,
        /** Of a `rung` lever: the exercise up to which it leads. */
        public ?string $exercise,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->discriminator('lever', LeverKind::class);
        if ($kind === null) {
            return new self(LeverKind::Rung, null, null, null, null, null, '');
        }
        $counted = in_array($kind, [LeverKind::Reps, LeverKind::Sets, LeverKind::RepetitionMaximum], true);
        [$min, $max] = match ($kind) {
            LeverKind::Hold => [0, Dose::MAX_HOLD_S],
            LeverKind::Reps => [1, Dose::MAX_REPS],
            LeverKind::RepetitionMaximum => [1, Dose::MAX_REPS],
            LeverKind::Sets => [1, Dose::MAX_SETS],
            LeverKind::Percent => [0, 100],
            LeverKind::Range => [-ObjectNode::LARGEST, ObjectNode::LARGEST],
            default => [0, ObjectNode::LARGEST],
        };
        $to = match (true) {
            $kind === LeverKind::Rung => null,
            $kind === LeverKind::Load => $node->numberOrNull('to'),
            $counted => $node->whole('to', $min, $max),
            default => $node->number('to', $min, $max),
        };
        $step = $kind === LeverKind::Rung || $kind === LeverKind::Load || !$node->has('step') ? null
            : ($counted ? $node->whole('step', 1) : $node->positive('step'));
        if ($kind !== LeverKind::Rung && $kind !== LeverKind::Load) {
            $node->known('step');
        }
        $weighted = $kind === LeverKind::Load || $kind === LeverKind::RepetitionMaximum;

        return new self(
            $kind,
            $to,
            $step,
            $kind === LeverKind::Tempo ? $node->choice('phase', Phase::class) : null,
            $weighted ? $node->positive('increment_kg') : null,
            $kind === LeverKind::Load ? $node->childOrNull('back', self::readBack(...)) : null,
            $kind === LeverKind::Rung ? $node->key('to') : null,
        );
    }

    public function step(): int|float
    {
        return $this->step ?? 1;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter([
            'lever' => $this->kind->value,
            'phase' => $this->phase?->value,
            'to' => $this->exercise ?? $this->to,
            'step' => $this->step,
            'increment_kg' => $this->increment_kg,
            'back' => $this->back === [] ? (object) [] : $this->back,
        ], static fn(mixed $value): bool => $value !== null);
    }

    /** @return array{sets?: int, reps?: int, hold_s?: int|float, work_s?: int|float, percent_mvc?: int|float} */
    private static function readBack(ObjectNode $node): array
    {
        $back = [];
        foreach (self::BACK as $field) {
            $node->known($field);
        }
        if ($node->has('sets')) {
            $back['sets'] = $node->whole('sets', 1, Dose::MAX_SETS);
        }
        if ($node->has('reps')) {
            $back['reps'] = $node->whole('reps', 1, Dose::MAX_REPS);
        }
        if ($node->has('hold_s')) {
            $back['hold_s'] = $node->number('hold_s', 0, Dose::MAX_HOLD_S);
        }
        if ($node->has('work_s')) {
            $back['work_s'] = $node->number('work_s');
        }
        if ($node->has('percent_mvc')) {
            $back['percent_mvc'] = $node->number('percent_mvc', 0, 100);
        }

        return $back;
    }
}
