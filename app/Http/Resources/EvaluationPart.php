<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Rung\Core\Acceptance\ChangeNote;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\Proposal;
use Rung\Core\Decision\StopSource;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Snapshot\ReportedStop;
use Rung\Core\Snapshot\RungState;
use Rung\Core\Snapshot\StageRung;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\Stage;
use Rung\Core\Words\ChangeWords;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\GateWords;
use Rung\Core\Words\ResponseWords;

/** Parts of what an evaluation found, as the pages of a case and of the phone draw them. */
final class EvaluationPart
{
    /**
     * The stages that apply, lowest first; the present one with its pegs.
     *
     * @return list<array<string, mixed>>
     */
    public static function ladder(Evaluation $evaluation): array
    {
        return array_map(
            static fn(StageRung $rung): array => [
                ...$rung->toArray(),
                'pegs' => $rung->state === RungState::Current ? self::pegs($evaluation) : [],
            ],
            StageRung::all($evaluation->log),
        );
    }

    /** @return list<array{type: string, state: string, words: string}> */
    public static function pegs(Evaluation $evaluation): array
    {
        return array_map(
            static fn(CriterionResult $result): array => [
                'type' => $result->criterion->type()->value,
                'state' => $result->state->value,
                'words' => GateWords::criterion($result),
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
                'before' => DoseWords::describe($prescription, $evaluation->isMeasured()),
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
                'words' => ResponseWords::stop(
                    ReportedStop::fromSource($stop, $evaluation->log->file->response_rule->stop_at),
                ),
            ],
            $evaluation->stops,
        );
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
            'words' => ResponseWords::verdict($response->figures()),
        ];
    }

    private static function after(Proposal $proposal, ?ChangeNote $note, Catalogue $catalogue, bool $isMeasured): string
    {
        if ($note?->after !== null) {
            $title =
                $note->after->exercise === $note->before?->exercise
                    ? ''
                    : $catalogue->titleOf($note->after->exercise) . ', ';

            return $title . DoseWords::describe($note->after, $isMeasured);
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
                Change::WithinRange => 'the lower end, ' . DoseWords::describe($proposal->prescription, $isMeasured),
                Change::Back => $proposal->dose === null
                    ? ''
                    : DoseWords::describe($proposal->prescription->withDose($proposal->dose), $isMeasured),
                Change::NextRung => 'the next rung',
                Change::PreviousRung => 'the rung below',
                Change::Dose => $proposal->dose === null
                    ? ''
                    : DoseWords::describe($proposal->prescription->withDose($proposal->dose), $isMeasured),
            };
    }
}
