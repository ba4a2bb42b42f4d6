<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Decision\StopSource;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Sign;

/** What was reported that asks for a stop. */
final readonly class ReportedStop
{
    /** @param list<Sign> $signs */
    private function __construct(
        public array $signs,
        /** Pain at the rule's stop level or over it, to 10; null where only signs ask for the stop. */
        public ?int $level,
    ) {}

    /** @param int $stopAt the rule's stop level, 0–10 */
    public static function fromSource(StopSource $stop, int $stopAt): self
    {
        return new self($stop->signs, $stop->level !== null && $stop->level >= $stopAt ? $stop->level : null);
    }

    public static function read(ObjectNode $node): self
    {
        return new self($node->choicesOrNull('signs', Sign::class) ?? [], $node->wholeOrNull('level', 0, 10));
    }

    /** @return array{signs: list<string>, level: int|null} */
    public function toArray(): array
    {
        return [
            'signs' => array_map(static fn(Sign $sign): string => $sign->value, $this->signs),
            'level' => $this->level,
        ];
    }
}
