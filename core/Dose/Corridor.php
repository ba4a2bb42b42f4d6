<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/**
 * "8 to 12, as it allows": a dose with an upper end beside its repetitions, hold or work. Within it sessions grow and
 * ease by themselves (docs/rules.md, "What the next session asks").
 */
final readonly class Corridor
{
    /** What has an upper end, and the field of that end. */
    private const ENDS = ['reps' => 'reps_to', 'hold_s' => 'hold_to_s', 'work_s' => 'work_to_s'];

    private const STEPS = ['reps' => 1, 'hold_s' => 5, 'work_s' => 15];

    /** @param 'reps'|'hold_s'|'work_s' $field */
    private function __construct(
        public string $field,
        public int|float $from,
        public int|float $to,
        /** By how much one session asks for more. */
        public int|float $step,
        /** Well-borne sessions after which it does. */
        public int $after,
    ) {}

    public static function fromDose(Dose $dose): ?self
    {
        foreach (self::ENDS as $field => $end) {
            $from = $dose->{$field};
            $to = $dose->{$end};
            if ((is_int($to) || is_float($to)) && (is_int($from) || is_float($from))) {
                return new self($field, $from, $to, $dose->grow_by ?? self::STEPS[$field], $dose->grow_after ?? 1);
            }
        }

        return null;
    }

    /** Notes what is wrong with the ends and steps of a dose that was read. */
    public static function check(ObjectNode $node, Dose $dose): void
    {
        $ends = [];
        foreach (self::ENDS as $field => $end) {
            $to = $dose->{$end};
            if ($to === null) {
                continue;
            }
            if ($ends !== []) {
                $node->fault($end, "cannot stand beside $ends[0]; a dose has one upper end");
            } elseif ($field !== 'reps' && !$node->has($field)) {
                $node->fault($end, "needs $field, its lower end");
            } elseif ($to < $dose->{$field}) {
                $node->fault($end, "must not be below $field");
            }
            $ends[] = $end;
        }
        foreach (['grow_by' => $dose->grow_by, 'grow_after' => $dose->grow_after] as $field => $value) {
            if ($value === null) {
                continue;
            }
            if ($ends === [] && !$node->has('reps_to') && !$node->has('hold_to_s') && !$node->has('work_to_s')) {
                $node->fault($field, 'needs an upper end: reps_to, hold_to_s or work_to_s');
            } elseif ($value < 1) {
                $node->fault($field, 'must be 1 or more');
            } elseif ($field === 'grow_by' && ($ends[0] ?? null) === 'reps_to' && floor($value) != $value) {
                $node->fault($field, 'must be a whole number of repetitions');
            }
        }
    }
}
