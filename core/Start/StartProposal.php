<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Record\Irritability;
use Rung\Core\Record\Purpose;

/** Where to begin, as it is proposed. */
final readonly class StartProposal
{
    public const START_CAREFULLY = 'start_carefully';

    /**
     * @param list<Measure> $reasons
     * @param list<string> $notes
     */
    public function __construct(
        public Irritability $irritability,
        public array $reasons,
        /** Null where the start is blocked or no stage applies. */
        public ?string $stage,
        public ?RungLevel $rung,
        public array $notes,
        public bool $blocked,
    ) {}

    /**
     * The rung to begin with. In prevention nothing is sore to begin with: where no finding speaks against it, the usual
     * one (docs/rules.md, "The first exercise").
     */
    public function level(Purpose $purpose, bool $atRisk): RungLevel
    {
        return $this->nothingIsSore($purpose, $atRisk) ? RungLevel::Usual : $this->rung ?? RungLevel::Easiest;
    }

    /** Whether positions are left out that the structure does not bear while irritable: not knowing counts as irritable, but where nothing is sore to begin with. */
    public function isIrritable(Purpose $purpose, bool $atRisk): bool
    {
        return $this->irritability !== Irritability::Low && !$this->nothingIsSore($purpose, $atRisk);
    }

    private function nothingIsSore(Purpose $purpose, bool $atRisk): bool
    {
        return $purpose === Purpose::Prevention && $this->irritability === Irritability::Unknown && !$atRisk;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'irritability' => $this->irritability->value,
            'reasons' => array_map(static fn(Measure $measure): string => $measure->value, $this->reasons),
            'stage' => $this->stage,
            'rung' => $this->rung?->value,
            'notes' => $this->notes,
            'blocked' => $this->blocked,
        ];
    }
}
