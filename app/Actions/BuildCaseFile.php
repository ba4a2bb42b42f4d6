<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\DoseChange;
use App\Models\Outcome;
use App\Models\PlannedSession;
use App\Models\Review;
use App\Models\SignOff;
use App\Models\StageEntry;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Record\Goal;
use Rung\Core\Stage\Stage;

/**
 * Gathers the rows of a case into a case file, through the same reader that a file from outside passes. So that a case
 * can go on for years, sessions and check-ins reach back 400 days; older ones are there where a rule still asks for them:
 * those that stopped the athlete, and the first scores.
 */
final class BuildCaseFile
{
    private const DAYS = 400;

    /** The first week of scores, against which no improvement is told. */
    private const FIRST_DAYS = 8;

    /** @throws \Rung\Core\Input\InvalidInput where the rows do not make a sound case */
    public static function of(CareCase $case): CaseFile
    {
        $athlete = $case->athlete;
        $zone = $case->practice->timezone;
        $from = self::from($case);
        $sessions = self::sessions($case, $from);
        $checkIns = self::checkIns($case, $from);
        $sources = array_merge(array_column($sessions, 'id'), array_column($checkIns, 'id'));
        $named = array_values(array_filter(array_map(static fn(TrainingSession $session): ?string => $session->planned_id, $sessions)));

        return CaseFile::fromStored(array_filter([
            'format' => CaseFile::FORMAT,
            'timezone' => $zone,
            'athlete' => ['name' => $athlete->name, 'body_mass_kg' => $athlete->body_mass_kg, 'goal' => $case->goal],
            'case' => [
                'structure' => $case->structure,
                'side' => $case->side,
                'opened_on' => $case->opened_on,
                'purpose' => $case->purpose,
                'review_on' => $case->review_on,
            ],
            'response_rule' => $case->response_rule,
            'stages' => array_map(
                static fn(Stage $stage): array => $stage->toArray(),
                $case->plan()->fileStages(Goal::from($case->goal)),
            ),
            'stage_history' => $case->stageEntries()->get()->map(
                static fn(StageEntry $entry): array => ['stage' => $entry->stage, 'from' => $entry->from],
            )->all(),
            'planned' => $case->plannedSessions()->whereRaw('("on" >= ? or id = any(?::uuid[]))', [$from->format('Y-m-d'), '{' . implode(',', $named) . '}'])->get()->map(
                static fn(PlannedSession $p): array => ['id' => $p->id, 'on' => $p->on, 'slot' => $p->slot],
            )->all(),
            'sessions' => array_map(static fn(TrainingSession $s): array => self::session($s, $zone), $sessions),
            'check_ins' => array_map(static fn(CheckIn $c): array => [
                'id' => $c->id,
                'at' => self::moment($c->at, $zone),
                'provocation' => $c->provocation,
                'stiffness_min' => $c->stiffness_min,
                'signs' => $c->signs,
                'late' => $c->late,
                'notes' => $c->notes,
            ], $checkIns),
            'tests' => $case->tests()->get()->map(static fn(StrengthTest $t): array => [
                'test' => $t->test, 'on' => $t->on, 'affected' => $t->affected, 'unaffected' => $t->unaffected, 'unit' => $t->unit,
            ])->all(),
            'outcomes' => $case->outcomes()->get()->map(
                static fn(Outcome $o): array => ['measure' => $o->measure, 'on' => $o->on, 'score' => $o->score],
            )->all(),
            'sign_offs' => $case->signOffs()->get()->map(
                static fn(SignOff $s): array => ['stage' => $s->stage, 'on' => $s->on],
            )->all(),
            'reviews' => $case->reviews()->whereIn('clears', $sources)->get()->map(
                static fn(Review $r): array => ['at' => self::moment($r->at, $zone), 'clears' => $r->clears],
            )->all(),
            'dose_changes' => $case->doseChanges()->get()->map(static fn(DoseChange $d): array => [
                'at' => self::moment($d->at, $zone), 'kind' => $d->kind, 'prescription' => $d->prescription,
            ])->all(),
        ], static fn(mixed $value): bool => $value !== null));
    }

    /** From when on everything counts. */
    private static function from(CareCase $case): CarbonImmutable
    {
        return CarbonImmutable::now($case->practice->timezone)->startOfDay()->subDays(self::DAYS)->utc();
    }

    /** @return list<TrainingSession> */
    private static function sessions(CareCase $case, CarbonImmutable $from): array
    {
        return array_values($case->trainingSessions()->whereRaw(
            "(started_at >= ? or signs <> '[]'::jsonb or jsonb_path_exists(entries, '$[*].pain ? (@ >= \$stop)', jsonb_build_object('stop', ?::int)))",
            [$from, self::stopAt($case)],
        )->get()->all());
    }

    /** @return list<CheckIn> */
    private static function checkIns(CareCase $case, CarbonImmutable $from): array
    {
        $first = $case->checkIns()->whereNotNull('provocation')->first()?->at->addDays(self::FIRST_DAYS);

        return array_values($case->checkIns()->whereRaw(
            "(at >= ? or at <= ? or signs <> '[]'::jsonb or provocation >= ?)",
            [$from, $first, self::stopAt($case)],
        )->get()->all());
    }

    private static function stopAt(CareCase $case): int
    {
        $stop = $case->response_rule['stop_at'] ?? null;

        return is_int($stop) ? $stop : 0;
    }

    /** @return array<string, mixed> */
    private static function session(TrainingSession $session, string $zone): array
    {
        return [
            'id' => $session->id,
            'planned' => $session->planned_id,
            'stage' => $session->stage,
            'kind' => $session->kind,
            'started_at' => self::moment($session->started_at, $zone),
            'ended_at' => self::moment($session->ended_at, $zone),
            'participation' => $session->participation,
            'minutes' => $session->minutes,
            'effort' => $session->effort,
            'settled_min' => $session->settled_min,
            'signs' => $session->signs,
            'entries' => $session->entries,
            'notes' => $session->notes,
        ];
    }

    private static function moment(CarbonImmutable $time, string $zone): string
    {
        return $time->setTimezone($zone)->format('Y-m-d\TH:i:sP');
    }
}
