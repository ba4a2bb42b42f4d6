<?php

declare(strict_types=1);

namespace Tests\Core;

use Rung\Core\Dose\Prescription;
use Rung\Core\Input\Json;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\Participation;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\DoneSession;
use Rung\Core\Stage\Evidence;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/** Evidence for a gate, given day by day: days are counted from the stage's first, day 0; today is day 20. */
final class MadeUpEvidence implements Evidence
{
    public const TODAY = 20;

    /** 2026-03-01. */
    private const FROM = 20513;

    /** @var list<DoneSession> */
    private array $sessions = [];

    /** @var list<array{day: int, score: int}> */
    private array $scores = [];

    /** @var list<StrengthTest> */
    private array $tests = [];

    /** @var list<Outcome> */
    private array $outcomes = [];

    /** @var list<PlannedSession> */
    private array $planned = [];

    /** @var array<string, true> */
    private array $begun = [];

    private ?int $signed = null;

    public function __construct(private readonly bool $bothSides = false) {}

    /** @param list<LoggedSet> $sets of the press */
    public function done(
        int $day,
        ?int $pain = 1,
        array $sets = [],
        bool $tooMuch = false,
        bool $pending = false,
        ?Participation $sport = null,
    ): self {
        $at = Moment::fromIso(Day::fromNumber(self::FROM + $day)->toIso() . 'T18:00:00Z');
        $session = new Session(
            's' . count($this->sessions),
            'slow',
            $sport === null ? SessionKind::Loading : SessionKind::Sport,
            $at,
            $at,
            [new Entry($sport === null ? 'press' : null, $sets, $pain)],
            participation: $sport,
        );
        $this->sessions[] = new DoneSession(
            $session,
            self::FROM + $day,
            $pain,
            !$pending,
            !$pending && !$tooMuch,
            $tooMuch,
            $pending,
        );

        return $this;
    }

    public function score(int $day, int $score): self
    {
        $this->scores[] = ['day' => self::FROM + $day, 'score' => $score];

        return $this;
    }

    public function test(int $day, int|float $affected, int|float $unaffected): self
    {
        $this->tests[] = new StrengthTest('knee', Day::fromNumber(self::FROM + $day), $affected, $unaffected, 'N');

        return $this;
    }

    public function outcome(int $day, int|float $score): self
    {
        $this->outcomes[] = new Outcome('score', Day::fromNumber(self::FROM + $day), $score);

        return $this;
    }

    public function plan(int $day, bool $begun = false, string $slot = 'slow'): self
    {
        $id = 'p' . count($this->planned);
        $this->planned[] = new PlannedSession($id, Day::fromNumber(self::FROM + $day), $slot);
        if ($begun) {
            $this->begun[$id] = true;
        }

        return $this;
    }

    public function sign(int $day): self
    {
        $this->signed = min($this->signed ?? PHP_INT_MAX, self::FROM + $day);

        return $this;
    }

    /** How a criterion stands on a day, as "met 7" or "no_data". */
    public function says(Criterion $criterion, int $day = self::TODAY): string
    {
        $result = $criterion->on($this, self::FROM + $day);

        return $result->state->value . ($result->value === null ? '' : ' ' . round($result->value, 1));
    }

    /** The first day from today on which a criterion can be met; null where none is within a month. */
    public function first(Criterion $criterion): ?int
    {
        for ($day = self::TODAY; $day <= self::TODAY + 30; $day++) {
            if ($criterion->canBeMetOn($this, self::FROM + $day)) {
                return $day;
            }
        }

        return null;
    }

    /** @return array<int, bool> whether each day that it looks at fits */
    public function looksAt(Criterion $criterion): array
    {
        $days = [];
        foreach ($criterion->days($this) as $day) {
            $days[$day->on->number - self::FROM] = $day->fits;
        }

        return $days;
    }

    public function today(): int
    {
        return self::FROM + self::TODAY;
    }

    public function stageFrom(): int
    {
        return self::FROM;
    }

    public function isBothSides(): bool
    {
        return $this->bothSides;
    }

    public function sessions(int $from, int $to): array
    {
        return array_values(
            array_filter(
                $this->sessions,
                static fn(DoneSession $session): bool => $session->day >= $from && $session->day <= $to,
            ),
        );
    }

    public function scores(int $from, int $to): array
    {
        return array_values(
            array_filter(
                $this->scores,
                static fn(array $score): bool => $score['day'] >= $from && $score['day'] <= $to,
            ),
        );
    }

    public function tests(int $by): array
    {
        return array_values(
            array_filter($this->tests, static fn(StrengthTest $test): bool => $test->on->number <= $by),
        );
    }

    public function outcomes(int $by): array
    {
        return array_values(
            array_filter($this->outcomes, static fn(Outcome $outcome): bool => $outcome->on->number <= $by),
        );
    }

    public function signedOn(int $by): ?int
    {
        return $this->signed !== null && $this->signed <= $by ? $this->signed : null;
    }

    public function prescription(string $key): Prescription
    {
        return Json::read(
            '{"key": "press", "exercise": "leg_press_one", "mode": "isotonic", "limbs": "each", "slot": "slow", "dose": {"sets": 3, "reps": 8, "rest_s": 60, "load_kg": 40}}',
            Prescription::read(...),
        );
    }

    public function planned(int $from, int $to): array
    {
        return array_values(
            array_filter(
                $this->planned,
                static fn(PlannedSession $planned): bool => $planned->on->number >= $from &&
                    $planned->on->number <= $to,
            ),
        );
    }

    public function isBegun(PlannedSession $planned): bool
    {
        return isset($this->begun[$planned->id]);
    }

    public function ahead(int $from, int $to): array
    {
        return array_values(
            array_filter(
                $this->planned(max($from, $this->today()), $to),
                fn(PlannedSession $planned): bool => !$this->isBegun($planned),
            ),
        );
    }

    public function isPractice(PlannedSession $planned): bool
    {
        return $planned->slot === 'act';
    }

    public function nextMorning(): int
    {
        return $this->scores($this->today(), $this->today()) === [] ? $this->today() : $this->today() + 1;
    }
}
