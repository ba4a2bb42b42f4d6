<?php

declare(strict_types=1);

namespace App\Support;

use Rung\Core\Acceptance\ChangeNote;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Attention\Attention;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\Proposal;
use Rung\Core\Decision\StopSource;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\MeasureGate;
use Rung\Core\Measuring\Taken;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\OverTest;
use Rung\Core\Stage\Stage;
use Rung\Core\Time\Day;
use Rung\Core\Words\ChangeWords;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\EvaluationWords;
use Rung\Core\Words\MeasureWords;

/** How a case stands, as it is stored with the case and drawn on every screen. */
final class Standing
{
    /** Days of hooks that a line of the Round shows. */
    public const ROUND_DAYS = 14;

    /** Days ahead within which an event is shown. */
    private const EVENT_DAYS = 7;

    /**
     * @param list<Day> $events
     *
     * @return array<string, mixed>
     */
    public static function of(Evaluation $evaluation, PlanStep $step, Catalogue $catalogue, array $events): array
    {
        return [
            'at' => $evaluation->log->at->toIso(),
            'today' => $evaluation->log->today->toIso(),
            'stage' => ['key' => $evaluation->log->stage->key, 'title' => $evaluation->log->stage->title],
            'ladder' => self::ladder($evaluation),
            'hooks' => self::hooks($evaluation, self::ROUND_DAYS),
            'action' => $evaluation->action->toArray()['kind'],
            'reason' => $evaluation->action->toArray()['reasons'][0],
            'headline' => EvaluationWords::headline($evaluation, $step, $catalogue),
            'because' => self::because($evaluation, $step),
            'acceptable' => $step->changesAnything(),
            'group' => $evaluation->attention->group->value,
            'group_reasons' => EvaluationWords::attention($evaluation),
            'event_on' => self::nextEvent($events, $evaluation->log->today),
            'stopped' => self::isStopped($evaluation),
            'unsettled' => Attention::unsettledBy($evaluation->log) !== null,
            'tests_due' => self::testsDue($evaluation, $catalogue),
        ];
    }

    /** Why, in a sentence or two. Where no dose has a next step and the way back goes on, it says so. */
    private static function because(Evaluation $evaluation, PlanStep $step): string
    {
        $ladder =
            $evaluation->action->reason === ActionReason::NothingToRaise
                ? PracticeLadder::inStage($step->plan->stage($evaluation->log->stage->key), $evaluation)
                : null;

        return $ladder === null ? EvaluationWords::because($evaluation) : EvaluationWords::onTheWayBack($ladder);
    }

    /**
     * What a line of the Round draws of it, and no more: the Round is asked for often.
     *
     * @param list<Day> $events
     *
     * @return array<string, mixed>
     */
    public static function forRound(Evaluation $evaluation, PlanStep $step, Catalogue $catalogue, array $events): array
    {
        return array_replace(self::of($evaluation, $step, $catalogue, $events), [
            'ladder' => array_map(
                static fn(array $rung): array => array_replace($rung, [
                    'pegs' =>
                        $rung['state'] === 'current'
                            ? array_map(
                                static fn(CriterionResult $criterionResult): array => [
                                    'type' => $criterionResult->criterion->type()->value,
                                    'state' => $criterionResult->state->value,
                                ],
                                $evaluation->gate->criteria,
                            )
                            : [],
                ]),
                self::ladder($evaluation),
            ),
            'hooks' => array_map(
                static fn(array $hook): array => array_intersect_key($hook, [
                    'on' => 1,
                    'baseline' => 1,
                    'during' => 1,
                    'next_day' => 1,
                    'verdict' => 1,
                ]),
                self::hooks($evaluation, self::ROUND_DAYS),
            ),
        ]);
    }

    /** @return list<string> what the gate of the present stage needs measured again */
    private static function testsDue(Evaluation $evaluation, Catalogue $catalogue): array
    {
        $file = $evaluation->log->file;
        $due = [];
        foreach ($evaluation->log->stage->gate as $criterion) {
            if ($criterion instanceof OverTest) {
                $taken = array_map(
                    Taken::ofTest(...),
                    array_values(
                        array_filter(
                            $file->tests,
                            static fn(StrengthTest $test): bool => $test->test === $criterion->test,
                        ),
                    ),
                );
                $course = MeasureCourse::of(
                    $catalogue->measure($criterion->test),
                    $taken,
                    $file->case->side === Side::Both,
                    null,
                );
                $words = MeasureWords::due(MeasureGate::of($criterion, $course, $evaluation->log->today));
                $due[$criterion->test] ??= $words === null ? null : "{$course->measure->title}: $words";
            }
        }

        return array_values(array_filter($due, is_string(...)));
    }

    /** @param list<Day> $events */
    private static function nextEvent(array $events, Day $today): ?string
    {
        $coming = array_filter(
            $events,
            static fn(Day $day): bool => $day->daysSince($today) >= 0 && $day->daysSince($today) < self::EVENT_DAYS,
        );
        usort($coming, static fn(Day $a, Day $b): int => $a->number <=> $b->number);

        return $coming === [] ? null : $coming[0]->toIso();
    }

    /**
     * The stages that apply, lowest first; the present one with its pegs.
     *
     * @return list<array<string, mixed>>
     */
    public static function ladder(Evaluation $evaluation): array
    {
        $file = $evaluation->log->file;
        $state = 'done';
        $rungs = [];
        foreach ($file->stages as $stage) {
            $here = $stage->key === $evaluation->log->stage->key;
            $state = $here ? 'current' : ($state === 'current' ? 'ahead' : $state);
            if ($here || $stage->appliesTo($file->athlete->goal)) {
                $rungs[] = [
                    'key' => $stage->key,
                    'title' => $stage->title,
                    'mode' => $stage->mode->value,
                    'state' => $state,
                    'pegs' => $here ? self::pegs($evaluation) : [],
                ];
            }
        }

        return $rungs;
    }

    /** @return list<array{type: string, state: string, words: string}> */
    public static function pegs(Evaluation $evaluation): array
    {
        return array_map(
            static fn(CriterionResult $result): array => [
                'type' => $result->criterion->type()->value,
                'state' => $result->state->value,
                'words' => EvaluationWords::criterion($result),
            ],
            $evaluation->gate->criteria,
        );
    }

    /** @return list<array<string, mixed>> of the last so many days, oldest first */
    public static function hooks(Evaluation $evaluation, int $days): array
    {
        $recent = array_values(
            array_filter(
                $evaluation->sessions,
                static fn(SessionResponse $response): bool => $evaluation->log->inLastDays($response->session, $days),
            ),
        );

        return array_map(static fn(SessionResponse $response): array => self::hook($response, $evaluation), $recent);
    }

    /**
     * @param array<string, string> $planned what was planned of each session that was done so, by its id
     *
     * @return array<string, array<string, mixed>> the hook of each session that was planned, by what was planned
     */
    public static function hooksByPlanned(Evaluation $evaluation, array $planned): array
    {
        $hooks = [];
        foreach ($evaluation->sessions as $response) {
            if (isset($planned[$response->session->id])) {
                $hooks[$planned[$response->session->id]] = self::hook($response, $evaluation);
            }
        }

        return $hooks;
    }

    /** @return list<array<string, mixed>> */
    public static function proposals(Evaluation $evaluation, PlanStep $step, Catalogue $catalogue): array
    {
        $notes = [];
        foreach ($step->notes as $note) {
            $notes[$note->before->key ?? ''] = $note;
        }

        return array_map(static function (Proposal $proposal) use ($notes, $catalogue, $evaluation): array {
            $prescription = $proposal->prescription;
            $note = $notes[$prescription->key] ?? null;

            return [
                'prescription' => $prescription->key,
                'title' => $catalogue->titleOf($prescription->exercise),
                'change' => $proposal->change->value,
                'preferred' => $proposal->preferred,
                'before' => DoseWords::of($prescription, $evaluation->isMeasured()),
                'after' => self::after($proposal, $note, $catalogue, $evaluation->isMeasured()),
                'dose' => $proposal->dose?->toArray(),
            ];
        }, $evaluation->proposals);
    }

    /** @return list<array<string, mixed>> */
    public static function stops(Evaluation $evaluation): array
    {
        return array_map(
            static fn(StopSource $stop): array => [
                'id' => $stop->id,
                'at' => $stop->began->toIso(),
                'cleared' => $stop->isCleared(),
                'words' => EvaluationWords::stop($stop, $evaluation),
            ],
            $evaluation->stops,
        );
    }

    /** Whether a stop waits for a review. */
    public static function isStopped(Evaluation $evaluation): bool
    {
        return array_filter($evaluation->stops, static fn(StopSource $stop): bool => !$stop->isCleared()) !== [];
    }

    public static function stageTitle(Evaluation $evaluation, ?string $key): ?string
    {
        $stage = $key === null ? null : $evaluation->log->file->stage($key);

        return $stage instanceof Stage ? $stage->title : null;
    }

    /** @return array<string, mixed> */
    private static function hook(SessionResponse $response, Evaluation $evaluation): array
    {
        $figures = $response->toArray();

        return [
            'session' => $response->session->id,
            'on' => $evaluation->log->dayOf($response->session)->toIso(),
            'started_at' => $response->session->started_at->toIso(),
            'stage' => $response->session->stage,
            'kind' => $response->session->kind->value,
            'baseline' => $figures['baseline'],
            'during' => $figures['during'],
            'next_day' => $figures['next_day'],
            'verdict' => $response->verdict->value,
            'words' => EvaluationWords::verdict($response),
        ];
    }

    private static function after(Proposal $proposal, ?ChangeNote $note, Catalogue $catalogue, bool $isMeasured): string
    {
        if ($note?->after !== null) {
            $title =
                $note->after->exercise === $note->before?->exercise
                    ? ''
                    : $catalogue->titleOf($note->after->exercise) . ', ';

            return $title . DoseWords::of($note->after, $isMeasured);
        }

        return $note !== null
            ? (new ChangeWords($catalogue))->note($note)
            : match ($proposal->change) {
                Change::HoldAtCap => 'waits: this week has grown enough',
                Change::Unchanged => 'no change this week',
                Change::Growing => 'goes on growing by itself within what is prescribed',
                Change::NotDone => 'waits until it is done in full',
                Change::Waiting => 'failed before: waits for a longer settled run',
                Change::AtTop => 'the top of its ladder: choose what is next by hand',
                Change::AtBottom => 'the bottom of its ladder',
                Change::WithinRange => 'the lower end, ' . DoseWords::of($proposal->prescription, $isMeasured),
                Change::Back => $proposal->dose === null
                    ? ''
                    : DoseWords::of($proposal->prescription->withDose($proposal->dose), $isMeasured),
                Change::NextRung => 'the next rung',
                Change::PreviousRung => 'the rung below',
                Change::Dose => $proposal->dose === null
                    ? ''
                    : DoseWords::of($proposal->prescription->withDose($proposal->dose), $isMeasured),
            };
    }
}
