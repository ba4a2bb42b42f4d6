<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** One way in which a dose may grow, with its bound and its step. */
final readonly class Lever
{
    /**
     * @param array{reps?: int, hold_s?: int|float, work_s?: int|float}|null $back
     * @param list<string>|null $steps
     */
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
        /** Of a `rung` lever: the exercise up to which it leads; null for the top of the ladder. */
        public ?string $exercise,
        /** Of a `resistance` lever: the labels of the practice's own set, easier first. */
        public ?array $steps = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->discriminator('lever', LeverKind::class);
        if ($kind === null) {
            return new self(LeverKind::Rung, null, null, null, null, null, null);
        }
        $counted = in_array($kind, [LeverKind::Reps, LeverKind::Sets, LeverKind::RepetitionMaximum], true);
        [$min, $max] = match ($kind) {
            LeverKind::Hold => [0, Dose::MAX_HOLD_S],
            LeverKind::Reps => [1, Dose::MAX_REPS],
            LeverKind::RepetitionMaximum => [1, Dose::MAX_RM],
            LeverKind::Sets => [1, Dose::MAX_SETS],
            LeverKind::Percent => [0, 100],
            LeverKind::Range => [-ObjectNode::LARGEST, ObjectNode::LARGEST],
            default => [0, ObjectNode::LARGEST],
        };
        $to = match (true) {
            $kind === LeverKind::Rung, $kind === LeverKind::Resistance => null,
            $kind === LeverKind::Load => $node->numberOrNull('to'),
            $counted => $node->whole('to', $min, $max),
            default => $node->number('to', $min, $max),
        };
        $step =
            !self::hasStep($kind) || !$node->has('step')
                ? null
                : ($counted
                    ? $node->whole('step', 1)
                    : $node->positive('step'));
        if (self::hasStep($kind)) {
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
            $kind === LeverKind::Rung && $node->has('to') ? $node->key('to') : self::none($node, $kind),
            $kind === LeverKind::Resistance ? self::readSteps($node) : null,
        );
    }

    private static function hasStep(LeverKind $kind): bool
    {
        return !in_array($kind, [LeverKind::Rung, LeverKind::Load, LeverKind::Resistance], true);
    }

    private static function none(ObjectNode $node, LeverKind $kind): null
    {
        if ($kind === LeverKind::Rung) {
            $node->known('to');
        }

        return null;
    }

    /** @return list<string> */
    private static function readSteps(ObjectNode $node): array
    {
        $steps = $node->required('steps') ? $node->textsOrNull('steps') ?? [] : [];
        if ($node->has('steps') && (count($steps) < 2 || count(array_unique($steps)) < count($steps))) {
            $node->fault('steps', 'must name at least two, each once, easier first');
        }

        return $steps;
    }

    /** The label so many steps from another in the practice's own set; null where there is none. */
    public function label(?string $from, int $steps): ?string
    {
        $place = array_search($from, $this->steps ?? [], true);

        return is_int($place) ? $this->steps[$place + $steps] ?? null : null;
    }

    public function step(): int|float
    {
        return $this->step ?? 1;
    }

    /**
     * The same lever for another limb: its own step of weight, or its bands in place of kilograms.
     *
     * @param list<string>|null $bands
     */
    public function fitting(int|float|null $incrementKg, ?array $bands): self
    {
        return match (true) {
            $this->increment_kg === null => $this,
            $bands !== null => new self(LeverKind::Resistance, null, null, null, null, null, null, $bands),
            default => new self(
                $this->kind,
                $this->to,
                $this->step,
                $this->phase,
                $incrementKg ?? $this->increment_kg,
                $this->back,
                $this->exercise,
                $this->steps,
            ),
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'lever' => $this->kind->value,
                'phase' => $this->phase?->value,
                'to' => $this->exercise ?? $this->to,
                'step' => $this->step,
                'increment_kg' => $this->increment_kg,
                'back' => $this->back === [] ? (object) [] : $this->back,
                'steps' => $this->steps,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }

    /** @return array{reps?: int, hold_s?: int|float, work_s?: int|float} */
    private static function readBack(ObjectNode $node): array
    {
        $back = [];
        foreach (['reps', 'hold_s', 'work_s'] as $field) {
            $node->known($field);
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

        return $back;
    }
}
