<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Response\Verdict;

/** What happened in a play: stages, changes, and the weeks with their exercises. */
final class PlayRecord
{
    /** @var list<array{stage: string, from_day: int}> */
    private array $stages = [];

    /** @var list<array<string, mixed>> */
    private array $changes = [];

    /** @var array<int, array{week: int, stage: string, sessions: int, over: int, exercises: array<string, array<string, mixed>>}> */
    private array $weeks = [];

    /** @var array<string, int> the week of each session, by its id */
    private array $weekOf = [];

    /** @var array<string, true> sessions that were judged too much */
    private array $over = [];

    public function entered(string $stage, int $day): void
    {
        $this->stages[] = ['stage' => $stage, 'from_day' => $day];
    }

    public function changed(int $day, string $kind, ?string $key, ?Prescription $prescription): void
    {
        $this->changes[] = [
            'day' => $day,
            'kind' => $kind,
            'prescription' => $key,
            'exercise' => $prescription?->exercise,
            'dose' => $prescription?->dose->toArray(),
        ];
    }

    /**
     * @param non-empty-list<Session> $sessions of a day
     * @param list<Prescription> $prescriptions of the stage, as they are prescribed
     */
    public function trained(int $week, string $stage, array $sessions, array $prescriptions): void
    {
        $played = $this->weeks[$week] ?? [
            'week' => $week,
            'stage' => $stage,
            'sessions' => 0,
            'over' => 0,
            'exercises' => [],
        ];
        $played['stage'] = $stage;
        foreach ($sessions as $session) {
            $played['sessions']++;
            $this->weekOf[$session->id] = $week;
            foreach ($prescriptions as $prescription) {
                $sets = $session->setsOf($prescription->key);
                if ($sets !== []) {
                    unset($played['exercises'][$prescription->key]);
                    $played['exercises'][$prescription->key] = [
                        'prescription' => $prescription->key,
                        'exercise' => $prescription->exercise,
                        'dose' => $prescription->dose->toArray(),
                        'least' => min(
                            array_map(static fn(LoggedSet $set): int|float => self::amount($set, $prescription), $sets),
                        ),
                        'load_kg' => $sets[0]->load_kg,
                    ];
                }
            }
        }
        $this->weeks[$week] = $played;
    }

    /** Sessions are judged when their answers are known. */
    public function judged(Evaluation $evaluation): void
    {
        foreach ($evaluation->sessions as $response) {
            $isOver = $response->verdict === Verdict::Over || $response->verdict === Verdict::Stop;
            $week = $this->weekOf[$response->session->id] ?? null;
            if ($isOver && $week !== null && !isset($this->over[$response->session->id])) {
                $this->over[$response->session->id] = true;
                $this->weeks[$week]['over']++;
            }
        }
    }

    /** @return array<string, mixed> */
    public function toArray(?int $endedDay): array
    {
        return [
            'stages' => $this->stages,
            'ended_day' => $endedDay,
            'changes' => $this->changes,
            'weeks' => array_map(
                static fn(array $week): array => ['exercises' => array_values($week['exercises'])] + $week,
                array_values($this->weeks),
            ),
        ];
    }

    private static function amount(LoggedSet $set, Prescription $prescription): int|float
    {
        return match (true) {
            $prescription->mode === Mode::Isometric && $prescription->dose->hold_s !== null => $set->hold_s ?? 0,
            $prescription->dose->isTimed() => $set->work_s ?? 0,
            default => $set->reps ?? 0,
        };
    }
}
