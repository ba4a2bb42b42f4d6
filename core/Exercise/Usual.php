<?php

declare(strict_types=1);

namespace Rung\Core\Exercise;

use Rung\Core\Dose\Dose;
use Rung\Core\Input\ObjectNode;

/** The usual dose of an exercise, as ranges: each from its easier to its harder end (repetitions of a maximum: from few to many). */
final readonly class Usual
{
    private const FIELDS = ['sets', 'reps', 'hold_s', 'work_s', 'rest_s', 'every_days', 'per_week', 'times_per_day'];

    /** @param array<string, array{int|float, int|float}> $ranges by field; seconds, days or counts */
    private function __construct(public array $ranges) {}

    public static function read(ObjectNode $node): self
    {
        $ranges = [];
        foreach (self::FIELDS as $field) {
            $pair = $node->numbersOrNull($field);
            if ($pair === null) {
                continue;
            }
            if (count($pair) !== 2 || $pair[0] > $pair[1]) {
                $node->fault($field, 'must be two numbers, the lower first');
            } else {
                $ranges[$field] = [$pair[0], $pair[1]];
            }
        }

        return new self($ranges);
    }

    /** Notes a fault at every field of a dose that does not lie at the easier end. */
    public function checkStart(ObjectNode $node, Dose $dose): void
    {
        $starts = ['sets' => $dose->sets, 'reps' => $dose->reps, 'hold_s' => $dose->hold_s, 'work_s' => $dose->work_s];
        foreach ($starts as $field => $value) {
            // Of a repetition maximum many repetitions are the easier end: the weight is lighter.
            $end = $field === 'reps' && $dose->rm !== null ? 1 : 0;
            $wanted = $this->ranges[$field][$end] ?? null;
            if ($wanted !== null && $value !== null && $value != $wanted) {
                $node->inItem("dose/$field", "must start at the easier end of what is usual, $wanted");
            }
        }
    }

    /** "3–5 × 30–45 s, rest 120 s, daily". */
    public function words(): string
    {
        $times = array_map(
            $this->range(...),
            array_values(
                array_filter(['reps', 'hold_s', 'work_s'], fn(string $field): bool => isset($this->ranges[$field])),
            ),
        );
        $unit = isset($this->ranges['hold_s']) || isset($this->ranges['work_s']) ? ' s' : '';
        $rest = isset($this->ranges['rest_s']) ? 'rest ' . $this->range('rest_s') . ' s' : null;

        return implode(
            ', ',
            array_filter([implode(' × ', [$this->range('sets'), ...$times]) . $unit, $rest, $this->often()]),
        );
    }

    /** @return array<string, array{int|float, int|float}> */
    public function toArray(): array
    {
        return $this->ranges;
    }

    private function often(): ?string
    {
        $every = $this->ranges['every_days'] ?? null;

        return match (true) {
            $every === [1, 1] => 'daily',
            $every === [2, 2] => 'every other day',
            $every !== null => 'every ' . $this->range('every_days') . ' days',
            isset($this->ranges['per_week']) => $this->range('per_week') . ' times a week',
            isset($this->ranges['times_per_day']) => $this->range('times_per_day') . ' times a day',
            default => null,
        };
    }

    private function range(string $field): string
    {
        [$low, $high] = $this->ranges[$field] ?? [1, 1];

        return $low == $high ? "$low" : "{$low}–{$high}";
    }
}
