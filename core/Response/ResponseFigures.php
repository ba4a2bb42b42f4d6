<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;

/** The numbers of one 24-hour response and its verdict, without the records they come from (docs/rules.md, "The 24-hour response"). */
final readonly class ResponseFigures
{
    /** @param list<string> $reasons codes of docs/rules.md, "The 24-hour response" */
    public function __construct(
        /** Highest pain of the session, 0–10; null where none was logged. */
        public ?int $during,
        /** Median of the latest provocation scores before it, 0–10; may lie on a half point. */
        public int|float|null $baseline,
        /** The answering score, 0–10; null where nobody answered. */
        public ?int $nextDay,
        public Verdict $verdict,
        public array $reasons,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->wholeOrNull('during', 0, 10),
            $node->numberOrNull('baseline', 0, 10),
            $node->wholeOrNull('next_day', 0, 10),
            $node->choice('verdict', Verdict::class),
            $node->textsOrNull('reasons') ?? [],
        );
    }

    /** The baseline to a tenth of a point. */
    public function roundedBaseline(): int|float|null
    {
        return $this->baseline === null ? null : Number::tenth($this->baseline);
    }

    /** @return array{during: int|null, baseline: int|float|null, next_day: int|null, verdict: string, reasons: list<string>} */
    public function toArray(): array
    {
        return [
            'during' => $this->during,
            'baseline' => $this->baseline,
            'next_day' => $this->nextDay,
            'verdict' => $this->verdict->value,
            'reasons' => $this->reasons,
        ];
    }
}
