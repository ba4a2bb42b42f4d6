<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;

/** Pain of one exercise stays low for some days although every set of it has its load. */
final readonly class LoadedPain extends Criterion implements OverPrescription
{
    private function __construct(
        /** Pain, 0–10. */
        public int $max,
        public int $days,
        public int $min_sessions,
        public string $prescription,
        /** Kilograms that every set must have. */
        public int|float $min_load_kg,
    ) {}

    public static function of(ObjectNode $node): self
    {
        return new self($node->whole('max', 0, 10), $node->whole('days'), $node->whole('min_sessions'), $node->text('prescription'), $node->number('min_load_kg'));
    }

    public function type(): CriterionType
    {
        return CriterionType::LoadedPain;
    }

    public function needed(): int
    {
        return $this->max;
    }

    public function on(Evidence $evidence, int $day): CriterionResult
    {
        return $this->highest($this->pains($evidence, $day), $this->min_sessions);
    }

    public function canBeMetOn(Evidence $evidence, int $day): bool
    {
        $hoped = Number::atLeast($evidence->prescription($this->prescription)->dose->load_kg ?? 0, $this->min_load_kg) ? count($evidence->ahead($day - $this->days + 1, $day)) : 0;

        return $this->isLow($this->pains($evidence, $day), $hoped, $this->min_sessions);
    }

    public function days(Evidence $evidence): array
    {
        $told = array_values(array_filter($this->sessions($evidence, $evidence->today()), fn(DoneSession $one): bool => $this->pain($one) !== null));

        return self::daysOf($told, fn(DoneSession $one): bool => $this->pain($one) <= $this->max);
    }

    public function prescription(): string
    {
        return $this->prescription;
    }

    /** The pain of the exercise, if a session did it and every set of it had the load. */
    private function pain(DoneSession $session): ?int
    {
        $sets = $session->session->setsOf($this->prescription);
        foreach ($sets as $set) {
            if (Number::under($set->load_kg ?? 0, $this->min_load_kg)) {
                return null;
            }
        }

        return $sets === [] ? null : $session->session->painOf($this->prescription);
    }

    /** @return list<DoneSession> of the last days up to a day */
    private function sessions(Evidence $evidence, int $day): array
    {
        return $evidence->sessions($day - $this->days + 1, $day);
    }

    /** @return list<int> */
    private function pains(Evidence $evidence, int $day): array
    {
        $pains = [];
        foreach ($this->sessions($evidence, $day) as $session) {
            $pain = $this->pain($session);
            if ($pain !== null) {
                $pains[] = $pain;
            }
        }

        return $pains;
    }
}
