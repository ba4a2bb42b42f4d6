<?php

declare(strict_types=1);

namespace App\Actions;

use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Start\Trial;

/** A visit as it ends. */
final readonly class VisitData
{
    /** Nobody lies on the table for longer; what was measured before belongs to another visit. */
    private const LONGEST_H = 12;

    /** @param list<Trial> $trials */
    private function __construct(
        /** Made by the desk, so that a visit that is sent twice is written once. */
        public string $id,
        public CarbonImmutable $began,
        public array $trials,
        public ?string $note,
    ) {}

    public static function read(ObjectNode $node, CarbonImmutable $now): self
    {
        $id = $node->text('id');
        if (!Str::isUuid($id)) {
            $node->fault('id', 'must be a UUID, a new one for each visit');
        }
        $began = CarbonImmutable::createFromTimestamp(intdiv($node->moment('began')->micros, 1_000_000));
        if ($began->greaterThan($now->addMinute()) || $began->lessThan($now->subHours(self::LONGEST_H))) {
            $node->fault('began', 'must lie in the last ' . self::LONGEST_H . ' hours; open the visit again');
        }
        $note = trim($node->textOrNull('note') ?? '');

        return new self(
            strtolower($id),
            $began,
            $node->eachOrEmpty('trials', Trial::read(...)),
            $note === '' ? null : $note,
        );
    }
}
