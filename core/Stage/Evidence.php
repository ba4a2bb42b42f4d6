<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Dose\Prescription;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\StrengthTest;

/** What the criteria of a gate may ask about the stage: what happened on which day, and what is still planned. Days are day numbers. */
interface Evidence
{
    public function today(): int;

    /** The first day of the stage. */
    public function stageFrom(): int;

    /** Whether both sides are treated. */
    public function isBothSides(): bool;

    /** @return list<DoneSession> of the stage, begun between two days, in order of start */
    public function sessions(int $from, int $to): array;

    /** @return list<array{day: int, score: int}> of the mornings between two days, before the stage too */
    public function scores(int $from, int $to): array;

    /** @return list<StrengthTest> up to a day */
    public function tests(int $by): array;

    /** @return list<Outcome> up to a day */
    public function outcomes(int $by): array;

    /** The first day, up to a day, on which the stage was signed off. */
    public function signedOn(int $by): ?int;

    /** A prescription of any stage. */
    public function prescription(string $key): ?Prescription;

    /** @return list<PlannedSession> between two days, of every stage */
    public function planned(int $from, int $to): array;

    /** Whether a planned session was begun. */
    public function isBegun(PlannedSession $planned): bool;

    /** @return list<PlannedSession> between two days, of today or later and not begun */
    public function ahead(int $from, int $to): array;

    /** Whether a planned session is practice of the sport: exercises of the stage have no place in it. */
    public function isPractice(PlannedSession $planned): bool;

    /** The first morning that can still be answered: today's where it was not answered yet, else tomorrow's. */
    public function nextMorning(): int;
}
