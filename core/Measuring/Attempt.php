<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\MeasureKind;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;
use Rung\Core\Strength\ForceUnit;
use Rung\Core\Strength\Strength;

/** One try of one side: a value, a set from which a maximum is worked out, or the curve of a gauge. */
final readonly class Attempt
{
    private const HEAVIEST_KG = 1000;

    private function __construct(
        /** In the unit of the measure; null of a curve whose figures were not looked up yet. */
        public int|float|null $value,
        /** A wrong try stays, and does not count. */
        public bool $struck,
        /** The id of a stored curve. */
        public ?string $curve,
        public int|float|null $loadKg,
        public ?int $reps,
        public ?int $rir,
    ) {}

    public static function read(ObjectNode $node, Measure $measure): self
    {
        $struck = $node->flagOrNull('struck') ?? false;
        if ($node->has('curve')) {
            if ($measure->kind !== MeasureKind::Force) {
                $node->fault('curve', 'belongs to a force alone; this measure is no force');
            }

            return new self(null, $struck, $node->key('curve'), null, null, null);
        }
        // A maximum that is known already may be given as it is.
        if ($measure->kind === MeasureKind::RepetitionMaximum && !$node->has('value')) {
            return self::set($node, $measure, $struck);
        }
        $value = Number::tenth($node->number('value', -ObjectNode::LARGEST) * self::unit($node, $measure));
        if ($node->has('value') && !$node->isFaulty('value')) {
            self::checked($node, 'value', $measure, $value);
        }

        return new self($value, $struck, null, null, null, null);
    }

    /** With the peak of its curve, in newtons. */
    public function withValue(int|float $value): self
    {
        return new self($value, $this->struck, $this->curve, null, null, null);
    }

    /** What one of the unit that is given is in the unit of the measure. */
    private static function unit(ObjectNode $node, Measure $measure): float
    {
        if ($measure->kind === MeasureKind::Force) {
            return ($node->choiceOrNull('unit', ForceUnit::class) ?? ForceUnit::Newton)->newtons();
        }
        $unit = $node->textOrNull('unit') ?? $measure->unit;
        if ($unit !== $measure->unit) {
            $node->fault('unit', "must be $measure->unit for this measure");
        }

        return 1.0;
    }

    private static function set(ObjectNode $node, Measure $measure, bool $struck): self
    {
        $load = $node->number('load_kg', 0, self::HEAVIEST_KG);
        $reps = $node->whole('reps', 1, Strength::MAX_REPS);
        $rir = $node->wholeOrNull('rir', 0, Strength::MAX_REPS) ?? 0;
        if ($reps + $rir > Strength::MAX_REPS) {
            $node->fault(
                'reps',
                'and those in reserve must be ' .
                    Strength::MAX_REPS .
                    ' together at most: from more, no maximum can be estimated. Take a heavier weight',
            );

            return new self(0, $struck, null, $load, $reps, $rir);
        }
        $value = Number::tenth(Strength::e1rm($load, max(1, $reps), $rir));
        self::checked($node, 'load_kg', $measure, $value);

        return new self($value, $struck, null, $load, $reps, $rir);
    }

    private static function checked(ObjectNode $node, string $field, Measure $measure, int|float $value): void
    {
        $fault = $measure->faultOf($value);
        if ($fault !== null) {
            $node->fault($field, $fault);
        }
    }

    /** @return array<string, mixed> as it is stored and shown */
    public function toArray(): array
    {
        return array_filter(
            [
                'value' => $this->value,
                'struck' => $this->struck ? true : null,
                'curve' => $this->curve,
                'load_kg' => $this->loadKg,
                'reps' => $this->reps,
                'rir' => $this->rir,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
