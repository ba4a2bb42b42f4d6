<?php

declare(strict_types=1);

namespace Rung\Core\Gate;

use Rung\Core\Dose\Prescription;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Stage\DoneSession;
use Rung\Core\Stage\Evidence;

/** What the criteria of a gate need to know of the log of a case. Verdicts of the past are taken as they are known now. */
final class LogEvidence implements Evidence
{
    /** @var list<DoneSession> */
    private readonly array $sessions;

    /** @var array<string, true>|null planned sessions that were begun, by id */
    private ?array $begun = null;

    /** @var list<PlannedSession>|null */
    private ?array $ahead = null;

    /** @param list<SessionResponse> $responses of the log, in order of start */
    public function __construct(private readonly Log $log, array $responses)
    {
        $sessions = [];
        foreach ($responses as $response) {
            if ($log->inStage($response->session)) {
                $verdict = $response->verdict;
                $sessions[] = new DoneSession(
                    $response->session,
                    $log->dayOf($response->session)->number,
                    $response->during,
                    $verdict->isJudged(),
                    $verdict->isWellTolerated(),
                    $verdict === Verdict::Over || $verdict === Verdict::Stop,
                    $verdict === Verdict::Pending,
                );
            }
        }
        $this->sessions = $sessions;
    }

    public function today(): int
    {
        return $this->log->today->number;
    }

    public function stageFrom(): int
    {
        return $this->log->stageFrom->number;
    }

    public function isBothSides(): bool
    {
        return $this->log->file->case->side === Side::Both;
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
        $scores = [];
        foreach ($this->log->scored as $i => $checkIn) {
            $day = $this->log->scoredDay($i);
            if ($day >= $from && $day <= $to) {
                $scores[] = ['day' => $day, 'score' => (int) $checkIn->provocation];
            }
        }

        return $scores;
    }

    public function tests(int $by): array
    {
        return array_values(
            array_filter($this->log->file->tests, static fn(StrengthTest $test): bool => $test->on->number <= $by),
        );
    }

    public function outcomes(int $by): array
    {
        return array_values(
            array_filter($this->log->file->outcomes, static fn(Outcome $outcome): bool => $outcome->on->number <= $by),
        );
    }

    public function signedOn(int $by): ?int
    {
        $first = null;
        foreach ($this->log->file->sign_offs as $signOff) {
            $day = $signOff->on->number;
            if ($signOff->stage === $this->log->stage->key && $day >= $this->stageFrom() && $day <= $by) {
                $first = min($first ?? $day, $day);
            }
        }

        return $first;
    }

    public function prescription(string $key): ?Prescription
    {
        return $this->log->prescriptions[$key] ?? null;
    }

    public function planned(int $from, int $to): array
    {
        return array_values(
            array_filter(
                $this->log->planned,
                static fn(PlannedSession $planned): bool => $planned->on->number >= $from &&
                    $planned->on->number <= $to,
            ),
        );
    }

    public function isBegun(PlannedSession $planned): bool
    {
        if ($this->begun === null) {
            $this->begun = [];
            foreach ($this->log->started as $session) {
                if ($session->planned !== null) {
                    $this->begun[$session->planned] = true;
                }
            }
        }

        return isset($this->begun[$planned->id]);
    }

    public function ahead(int $from, int $to): array
    {
        $this->ahead ??= array_values(
            array_filter(
                $this->planned($this->today(), PHP_INT_MAX),
                fn(PlannedSession $planned): bool => !$this->isBegun($planned),
            ),
        );

        return array_values(
            array_filter(
                $this->ahead,
                static fn(PlannedSession $planned): bool => $planned->on->number >= $from &&
                    $planned->on->number <= $to,
            ),
        );
    }

    public function isPractice(PlannedSession $planned): bool
    {
        return !in_array($planned->slot, array_filter(array_column($this->log->stage->prescriptions, 'slot')), true);
    }

    public function nextMorning(): int
    {
        return $this->scores($this->today(), $this->today()) === [] ? $this->today() : $this->today() + 1;
    }
}
