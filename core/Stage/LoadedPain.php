<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;

/** Pain of one exercise stays low for some days although every set of it has its load. */
final readonly class LoadedPain extends LowPain implements OverPrescription
{
    private function __construct(
        int $max,
        int $days,
        int $min_sessions,
        public string $prescription,
        /** Kilograms that every set must have. */
        public int|float $min_load_kg,
    ) {
        parent::__construct($max, $days, $min_sessions);
    }

    public static function fromFields(ObjectNode $node): self
    {
        return new self(
            $node->whole('max', 0, 10),
            $node->whole('days'),
            $node->whole('min_sessions'),
            $node->text('prescription'),
            $node->number('min_load_kg'),
        );
    }

    public function type(): CriterionType
    {
        return CriterionType::LoadedPain;
    }

    public function prescription(): string
    {
        return $this->prescription;
    }

    protected function canTell(Evidence $evidence): bool
    {
        return Number::atLeast($evidence->prescription($this->prescription)->dose->load_kg ?? 0, $this->min_load_kg);
    }

    /** The pain of the exercise, if a session did it and every set of it had the load. */
    protected function pain(DoneSession $session): ?int
    {
        $sets = $session->session->setsOf($this->prescription);
        foreach ($sets as $set) {
            if (Number::under($set->load_kg ?? 0, $this->min_load_kg)) {
                return null;
            }
        }

        return $sets === [] ? null : $session->session->painOf($this->prescription);
    }
}
