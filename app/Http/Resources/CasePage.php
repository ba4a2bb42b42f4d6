<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\NudgeAthlete;
use App\Care\Advice;
use App\Models\CareCase;
use App\Models\StrengthTest;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Attention\WeekLoad;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\School;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Gate\CriterionOutlook;
use Rung\Core\Gate\GateOutlook;
use Rung\Core\Lint\LintNote;
use Rung\Core\Number;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\Waiting;
use Rung\Core\Record\Structure;
use Rung\Core\Screening\Growth;
use Rung\Core\Snapshot\CaseSnapshot;
use Rung\Core\Stage\EvidenceDay;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\GateWords;
use Rung\Core\Words\Ground;
use Rung\Core\Words\Grounds;
use Rung\Core\Words\PlanWords;

/** All that the Case page shows. */
final class CasePage
{
    private const MESSAGES = 20;

    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $programme = $catalogue->programmes[$case->programme] ?? null;
        $step = Acceptance::accept($plan, $evaluation, $catalogue);
        $stage = $plan->stage($evaluation->log->stage->key);
        $evaluated = $evaluation->toArray();

        return [
            'id' => $case->id,
            'revision' => $case->revision,
            'athlete' => ['id' => $case->athlete_id, 'name' => $case->athlete->name, 'act' => $case->athlete->act],
            'practitioner' => $case->practitioner->name,
            'restricted' => $case->set_aside ? $case->athlete->restricted_why ?? '' : null,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'goal' => $case->goal,
            'opened_on' => $case->opened_on,
            'closed_on' => $case->closed_on,
            'next_stage' => $evaluation->nextStage,
            'after_close' => $case->entriesAfterClose(),
            'history' => $case->history,
            'programme' => $programme->title ?? $case->programme,
            'programme_version' => $case->programme_version,
            'intake' => $this->intake($case),
            'advice' => array_map(static fn(Advice $advice): array => $advice->toArray(), $case->advice),
            'earlier' => $this->earlier($case),
            'lint' =>
                $stage === null
                    ? []
                    : array_map(
                        static fn(LintNote $note): array => $note->toArray(),
                        InForcePart::lint($case, $catalogue, $stage, $evaluation, $programme),
                    ),
            'review_on' => $case->review_on,
            'school' => self::school($case, $catalogue),
            'schools' => array_map(
                static fn(School $school): array => ['key' => $school->key, 'title' => $school->title],
                array_values($catalogue->schools),
            ),
            'provocation_test' => $case->provocation_test,
            'rule' => $case->response_rule->toArray(),
            'stage_from' => $evaluation->log->stageFrom->toIso(),
            'standing' => RoundStanding::present(CaseSnapshot::take($evaluation, $step, $catalogue, $case->events)),
            'grounds' => array_map(
                static fn(Ground $ground): array => $ground->toArray(),
                Grounds::fromEvaluation($evaluation),
            ),
            'gate' => self::gate($evaluation),
            'hooks' => EvaluationPart::hooks($evaluation, PHP_INT_MAX >> 1),
            'loads' => self::loads($evaluation),
            'scores' => array_map(
                static fn($checkIn): array => [
                    'on' => $evaluation->log->file->timezone->dayOf($checkIn->at)->toIso(),
                    'score' => $checkIn->provocation,
                    'stiffness_min' => $checkIn->stiffness_min,
                ],
                $evaluation->log->scored,
            ),
            'proposals' => EvaluationPart::proposals($evaluation, $step, $catalogue),
            'stops' => EvaluationPart::stops($evaluation),
            'creep' => $evaluated['creep'],
            'adherence' => $evaluated['adherence'],
            'week' => $evaluated['week'],
            'prescriptions' =>
                $stage === null ? [] : InForcePart::prescriptions($stage, $plan, $case, $catalogue, $evaluation),
            'begins_later' => array_map(
                static fn(Waiting $waiting): array => [
                    'title' => $catalogue->titleOf($waiting->prescription->exercise),
                    'words' => DoseWords::describe($waiting->prescription),
                    'when' => PlanWords::startsWhen($waiting->startsWhen, $catalogue),
                ],
                $stage->waiting ?? [],
            ),
            'practice' => $stage === null ? null : InForcePart::practice($stage, $evaluation),
            'stages' => array_map(
                static fn(PlanStage $planStage): array => [
                    'key' => $planStage->stage->key,
                    'title' => $planStage->stage->title,
                ],
                $plan->stages,
            ),
            // Under a stop nothing is asked for.
            'coming' =>
                $stage === null || $evaluation->isStopped() || $case->hasSevereFlare()
                    ? []
                    : InForcePart::coming($case, $stage, $evaluation),
            'strength_test' => array_intersect_key(
                $catalogue->measure($catalogue->structure(Structure::from($case->structure))->strengthTest)->toArray(),
                ['key' => 1, 'title' => 1, 'unit' => 1, 'instruction' => 1],
            ),
            'tests' => array_values(
                $case
                    ->tests()
                    ->get()
                    ->map(
                        static fn(StrengthTest $test): array => [
                            'test' => $test->test,
                            'on' => $test->on,
                            'affected' => $test->affected,
                            'unaffected' => $test->unaffected,
                            'unit' => $test->unit,
                            'symmetry_percent' => Number::tenth(
                                Strength::symmetry($test->affected, $test->unaffected, $case->side === 'both'),
                            ),
                        ],
                    )
                    ->all(),
            ),
            'asked_at' => $case->asked_at?->setTimezone($case->practice->timezone)->toIso8601String(),
            'severe_flare' => $case->hasSevereFlare(),
            'maintenance' =>
                $plan->maintenance === null
                    ? null
                    : [
                        'per_week' => $plan->maintenance->perWeek,
                        'from' => $plan->maintenance->from->toIso(),
                        'until' => $plan->maintenance->until->toIso(),
                    ],
            'missed' => RecordPart::missed($case),
            'corrected' => CorrectionWords::latest($case, self::MESSAGES, withNotes: false),
            'waiting' => self::waiting($case),
            'messages' => MessagesPage::conversation($case, self::MESSAGES),
            'nudge_words' => NudgeAthlete::words($case),
            'decisions' => RecordPart::decisions($case),
        ];
    }

    /** @return array<string, mixed> the gate along time */
    private static function gate(Evaluation $evaluation): array
    {
        $outlooks = $evaluation->outlooks();

        return [
            'open' => $evaluation->gate->isOpen(),
            'earliest' => GateOutlook::earliestOpen($outlooks, $evaluation->log->today)?->toIso(),
            'criteria' => array_map(
                static fn(CriterionOutlook $outlook): array => [
                    'type' => $outlook->result->criterion->type()->value,
                    'state' => $outlook->result->state->value,
                    'words' => GateWords::criterion($outlook->result),
                    'distance' => GateWords::distance($outlook),
                    'since' => $outlook->since?->toIso(),
                    'earliest' => $outlook->earliest?->toIso(),
                    'days' => array_map(
                        static fn(EvidenceDay $day): array => ['on' => $day->on->toIso(), 'fits' => $day->fits],
                        $outlook->days,
                    ),
                ],
                $outlooks,
            ),
        ];
    }

    /** @return list<array<string, mixed>> what was loaded on each day that had a session */
    private static function loads(Evaluation $evaluation): array
    {
        $days = [];
        foreach ($evaluation->log->ended as $session) {
            $days[$evaluation->log->dayOf($session)->toIso()][] = $session;
        }

        return array_map(
            static fn(string $on, array $sessions): array => ['on' => $on] +
                WeekLoad::ofSessions($evaluation->log, $sessions)->toArray(),
            array_keys($days),
            array_values($days),
        );
    }

    /** @return array{key: string|null, title: string} */
    private static function school(CareCase $case, Catalogue $catalogue): array
    {
        $key = $case->response_rule->name;

        return ['key' => $key, 'title' => $catalogue->schools[$key ?? '']->title ?? ($key ?? 'its own rule')];
    }

    /** @return array<string, mixed>|null the version that waits for its first day */
    private static function waiting(CareCase $case): ?array
    {
        $waiting = $case->waitingPlan();

        return $waiting?->valid_from === null
            ? null
            : ['version' => $waiting->version, 'from' => $waiting->valid_from, 'note' => $waiting->note];
    }

    /** @return array<string, mixed> what was found when the case was opened */
    private function intake(CareCase $case): array
    {
        $intake = $case->intake;
        $born = $case->athlete->born_on === null ? null : Day::fromIso($case->athlete->born_on);

        return [
            'purpose' => $case->purpose,
            'season_from' => $intake->seasonFrom?->toIso(),
            'season_until' => $intake->seasonUntil?->toIso(),
            'age' => $born === null ? null : Growth::ageOn($born, Clock::today($case->practice->timezone)),
            'growth_checked' => Growth::isGrowing($born, Clock::today($case->practice->timezone))
                ? $intake->isGrowthChecked
                : null,
            'began_on' => $intake->beganOn?->toIso(),
            'load_change' => $intake->loadChange,
            'aggravating' => $intake->aggravating,
            'screened_by' => $intake->screenedBy,
            'screened_on' => $intake->screenedOn?->toIso(),
            'risks' => $intake->risks,
            'trials' => $intake->trials,
            'signs' => $intake->referralSigns,
            'goal_on' => $case->goal_on,
            'equipment' => $case->equipment,
            'session_minutes' => $case->session_minutes,
            'severity' => $case->severity?->toArray(),
        ];
    }

    /** @return list<array<string, mixed>> earlier episodes of the same structure */
    private function earlier(CareCase $case): array
    {
        $earlier = CareCase::query()
            ->where('athlete_id', $case->athlete_id)
            ->where('structure', $case->structure)
            ->where('id', '!=', $case->id)
            ->where('opened_on', '<=', $case->opened_on)
            ->orderByDesc('opened_on')
            ->get();

        return array_values(
            $earlier
                ->map(
                    static fn(CareCase $careCase): array => [
                        'id' => $careCase->id,
                        'side' => $careCase->side,
                        'opened_on' => $careCase->opened_on,
                        'closed_on' => $careCase->closed_on,
                    ],
                )
                ->all(),
        );
    }
}
