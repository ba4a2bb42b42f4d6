<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use InvalidArgumentException;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/**
 * How much of an exercise is asked for: sets 1–20, repetitions 1–200, holds up to 600 s,
 * loads in kilograms (docs/rules.md, "Dose arithmetic" and "Bad input").
 */
final readonly class Dose
{
    public const MAX_SETS = 20;

    public const MAX_REPS = 200;

    /** Repetitions up to which a load can be estimated from a repetition maximum. */
    public const MAX_RM = 20;

    public const MAX_HOLD_S = 600;

    public function __construct(
        public int $sets,
        public int $reps,
        /** Seconds of one hold. */
        public int|float|null $hold_s = null,
        /** Seconds of work in one set, where the dose is timed. */
        public int|float|null $work_s = null,
        public ?Tempo $tempo = null,
        /** Seconds between sets. */
        public int|float $rest_s = 0,
        public int|float|null $load_kg = null,
        /** A label of the practice's own set of bands or weights. */
        public ?string $resistance = null,
        /** The part of the body's mass that is lifted as well, usually 0–1. */
        public int|float|null $body_fraction = null,
        public int|float|null $contacts_per_rep = null,
        /** Percent of the maximal voluntary contraction, 0–100. */
        public int|float|null $percent_mvc = null,
        /** 0–10. */
        public ?int $effort = null,
        /** The repetition maximum aimed at. */
        public ?int $rm = null,
        public ?Range $range = null,
        public ?int $times_per_day = null,
        public int|float|null $beats_per_min = null,
        /** The upper end of a corridor of repetitions; `reps` is then its lower end. */
        public ?int $reps_to = null,
        /** The same of holds, in seconds. */
        public int|float|null $hold_to_s = null,
        /** The same of timed work, in seconds. */
        public int|float|null $work_to_s = null,
        /** By how much the next session asks for more inside the corridor, in the unit of its field. */
        public int|float|null $grow_by = null,
        /** After how many well-tolerated sessions it does. */
        public ?int $grow_after = null,
        /** Centimetres of a step, box or jump. */
        public int|float|null $height_cm = null,
        /** Repetitions to leave in reserve. */
        public ?int $rir = null,
    ) {
        if ($sets < 1 || $sets > self::MAX_SETS) {
            throw new InvalidArgumentException('sets must be from 1 to ' . self::MAX_SETS);
        }
        if ($reps < 1 || $reps > self::MAX_REPS) {
            throw new InvalidArgumentException('reps must be from 1 to ' . self::MAX_REPS);
        }
    }

    public static function read(ObjectNode $node): self
    {
        $dose = new self(
            sets: $node->whole('sets', 1, self::MAX_SETS),
            reps: $node->whole('reps', 1, self::MAX_REPS),
            hold_s: $node->numberOrNull('hold_s', 0, self::MAX_HOLD_S),
            work_s: $node->numberOrNull('work_s'),
            tempo: $node->childOrNull('tempo', Tempo::read(...)),
            rest_s: $node->number('rest_s'),
            load_kg: $node->numberOrNull('load_kg'),
            resistance: $node->textOrNull('resistance'),
            body_fraction: $node->numberOrNull('body_fraction'),
            contacts_per_rep: $node->wholeOrNull('contacts_per_rep'),
            percent_mvc: $node->numberOrNull('percent_mvc', 0, 100),
            effort: $node->wholeOrNull('effort', 0, 10),
            rm: $node->wholeOrNull('rm', 1, self::MAX_REPS),
            range: $node->childOrNull('range', Range::read(...)),
            times_per_day: $node->wholeOrNull('times_per_day', 1, 24),
            beats_per_min: $node->numberOrNull('beats_per_min'),
            reps_to: $node->wholeOrNull('reps_to', 1, self::MAX_REPS),
            hold_to_s: $node->numberOrNull('hold_to_s', 0, self::MAX_HOLD_S),
            work_to_s: $node->numberOrNull('work_to_s'),
            grow_by: $node->numberOrNull('grow_by'),
            grow_after: $node->wholeOrNull('grow_after'),
            height_cm: $node->numberOrNull('height_cm'),
            rir: $node->wholeOrNull('rir'),
        );
        Corridor::check($node, $dose);

        return $dose;
    }

    /** The range of repetitions, hold or work within which sessions grow and ease by themselves; null where there is none. */
    public function corridor(): ?Corridor
    {
        return Corridor::fromDose($this);
    }

    /** Whether the dose is a span of time that is neither held nor counted. */
    public function isTimed(): bool
    {
        return $this->work_s !== null && $this->hold_s === null && $this->tempo === null;
    }

    /** The same dose at the upper end of its corridor. */
    public function most(): self
    {
        $corridor = $this->corridor();

        /** @phpstan-ignore argument.type (the upper end of repetitions is whole) */
        return $corridor === null ? $this : $this->with([$corridor->field => $corridor->to]);
    }

    /**
     * The same dose with some fields changed.
     *
     * @param array{sets?: int, reps?: int, hold_s?: int|float, work_s?: int|float, tempo?: Tempo, load_kg?: int|float,
     *     percent_mvc?: int|float, rm?: int|null, range?: Range, height_cm?: int|float, resistance?: string,
     *     reps_to?: int|null, hold_to_s?: int|float|null, work_to_s?: int|float|null, grow_by?: int|float|null, grow_after?: int|null} $changes
     */
    public function with(array $changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are the constructor's own) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    /**
     * The same dose with fields of another put over it.
     *
     * @param array<string, mixed> $fields as {@see toArray()} writes them
     */
    public function merged(array $fields): self
    {
        $json = json_encode(array_replace($this->toArray(), $fields), JSON_THROW_ON_ERROR);

        return Json::read($json, self::read(...));
    }

    /**
     * The part of the body that is lifted with the load, in kilograms.
     *
     * @throws InvalidArgumentException where a part of the body is lifted and its mass is unknown
     */
    public function bodyLoad(int|float|null $bodyMassKg): int|float
    {
        $fraction = $this->body_fraction ?? 0;
        if ($fraction == 0) {
            return 0;
        }
        if ($bodyMassKg === null) {
            throw new InvalidArgumentException('body_mass_kg is needed where body_fraction is above 0');
        }

        return $fraction * $bodyMassKg;
    }

    /** @return array<string, mixed> without the fields that are not set */
    public function toArray(): array
    {
        return array_filter(
            [
                'sets' => $this->sets,
                'reps' => $this->reps,
                'reps_to' => $this->reps_to,
                'hold_s' => $this->hold_s,
                'hold_to_s' => $this->hold_to_s,
                'work_s' => $this->work_s,
                'work_to_s' => $this->work_to_s,
                'grow_by' => $this->grow_by,
                'grow_after' => $this->grow_after,
                'tempo' => $this->tempo?->toArray(),
                'rest_s' => $this->rest_s,
                'load_kg' => $this->load_kg,
                'resistance' => $this->resistance,
                'height_cm' => $this->height_cm,
                'body_fraction' => $this->body_fraction,
                'contacts_per_rep' => $this->contacts_per_rep,
                'percent_mvc' => $this->percent_mvc,
                'effort' => $this->effort,
                'rir' => $this->rir,
                'rm' => $this->rm,
                'range' => $this->range?->toArray(),
                'times_per_day' => $this->times_per_day,
                'beats_per_min' => $this->beats_per_min,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
