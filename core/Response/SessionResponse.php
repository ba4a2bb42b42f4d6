<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\Number;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Session;

/** The 24-hour response of one session, judged; null where a figure is unknown. */
final readonly class SessionResponse
{
    /** @param list<string> $reasons codes of docs/rules.md, "The 24-hour response" */
    public function __construct(
        public Session $session,
        /** Highest pain of the session, 0–10. */
        public ?int $during,
        /** Median of the latest provocation scores before it; may lie on a half point. */
        public int|float|null $baseline,
        public ?CheckIn $answer,
        /** Points by which the answering score lies over the baseline; negative under it. */
        public int|float|null $rise,
        /** Minutes, likewise. */
        public int|float|null $stiffnessRise,
        public Verdict $verdict,
        public array $reasons,
    ) {}

    public function figures(): ResponseFigures
    {
        return new ResponseFigures(
            $this->during,
            $this->baseline,
            $this->answer?->provocation,
            $this->verdict,
            $this->reasons,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $rounded = static fn(int|float|null $value): int|float|null => $value === null ? null : Number::tenth($value);

        return [
            'id' => $this->session->id,
            'during' => $this->during,
            'baseline' => $rounded($this->baseline),
            'answered_by' => $this->answer?->id,
            'next_day' => $this->answer?->provocation,
            'rise' => $rounded($this->rise),
            'stiffness_rise_min' => $rounded($this->stiffnessRise),
            'verdict' => $this->verdict->value,
            'reasons' => $this->reasons,
        ];
    }
}
