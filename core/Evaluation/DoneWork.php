<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Record;
use Rung\Core\Time\Day;

/** What was done last of one prescription. */
final readonly class DoneWork
{
    /** @param list<LoggedSet> $sets of the latest session that logged it */
    public function __construct(
        /** The exercise that filled the prescription then. */
        public string $exercise,
        public Day $on,
        public array $sets,
        /** The work that the weekly cap compares with: seconds held, kilograms lifted or repetitions. */
        public int|float $base,
        /** Whether its dose was changed in the last 7 × 24 h. */
        public bool $changed,
        /** Kilograms lifted, the body's part among them, that the weekly cap compares with; 0 where there are none. */
        public int|float $heaviest,
        /** Whether that session was well tolerated, with the load that was asked. */
        public bool $full,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('exercise'),
            $node->day('on'),
            $node->each('sets', LoggedSet::read(...)),
            $node->number('base'),
            $node->flag('changed'),
            $node->number('heaviest'),
            $node->flag('full'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'exercise' => $this->exercise,
            'on' => $this->on->toIso(),
            'sets' => array_map(static fn(LoggedSet $set): object => (object) Record::toArray($set), $this->sets),
            'base' => $this->base,
            'changed' => $this->changed,
            'heaviest' => $this->heaviest,
            'full' => $this->full,
        ];
    }
}
