<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Support\DrawnFigures;
use Rung\Core\Acceptance\NextLoad;
use Rung\Core\Acceptance\Relief;
use Rung\Core\Acceptance\UsualLoad;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Slot;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\Asked;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Side;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\TodayWords;

/** A session that is due, as the phone leads through it. */
final readonly class DueSession
{
    /** @param array<string, PracticeStep> $practices by planned session */
    public function __construct(
        private PlanStage $stage,
        private Plan $plan,
        private Catalogue $catalogue,
        private CareCase $case,
        private Evaluation $evaluation,
        private bool $retests,
        private DrawnFigures $figures,
        private array $practices,
    ) {}

    /** @return array<string, mixed> */
    public function present(PlannedSession $planned): array
    {
        $due = array_values(
            array_filter(
                $this->stage->stage->prescriptions,
                fn(Prescription $prescription): bool => $prescription->slot === $planned->slot &&
                    !$this->plan->rests($prescription->key, Day::fromIso($planned->on)),
            ),
        );
        $asked =
            $this->stage->stage->key === $this->evaluation->log->stage->key
                ? $this->evaluation->askedByPrescription()
                : [];
        $sums = array_map(
            fn(Prescription $prescription) => DoseArithmetic::figures(
                $prescription->mode,
                $this->limbs($prescription),
                isset($asked[$prescription->key])
                    ? $asked[$prescription->key]->asPrescription()->dose
                    : $prescription->dose,
                $this->case->athlete->body_mass_kg,
            ),
            $due,
        );

        return [
            'planned' => $planned->id,
            'on' => $planned->on,
            'stage' => $this->stage->stage->key,
            'title' => $this->stage->slot($planned->slot)?->name() ?? $planned->slot,
            'at' => $this->stage->slot($planned->slot)?->timeOf($planned->number)?->toText(),
            'practice' => $this->practice($this->stage->slot($planned->slot), $this->practices[$planned->id] ?? null),
            'part' => $this->part($planned),
            'kind' => $due === [] ? 'sport' : 'loading',
            'duration_s' => DoseArithmetic::session($sums)['duration_s'],
            'exercises' => array_map(
                fn(Prescription $prescription): array => $this->exercise(
                    $prescription,
                    $asked[$prescription->key] ?? null,
                ),
                $due,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function exercise(Prescription $prescription, ?Asked $next): array
    {
        // What the next session asks within what is prescribed.
        $prescription = $next === null ? $prescription : $next->asPrescription();
        $exercise = $this->catalogue->exercises[$prescription->exercise] ?? null;
        $load = NextLoad::forPrescription($prescription, $this->evaluation, $this->catalogue);

        return [
            'prescription' => $prescription->key,
            'exercise' => $prescription->exercise,
            'title' => $exercise->title ?? $prescription->exercise,
            'figure' => $this->figures->keyOf($prescription->exercise, $prescription->dose->range),
            'set_up' => $exercise?->set_up,
            'movement' => $exercise?->movement,
            'feel' => $exercise?->feel,
            'faults' => $exercise?->faults,
            'cue' => $prescription->cue,
            'says' => (object) ($exercise?->says?->toArray() ?? []),
            'mode' => $prescription->mode->value,
            'limbs' => DoseWords::limbs($this->limbs($prescription)),
            'sides' => TodayWords::sides($prescription->limbs, Side::from($this->case->side)),
            'words' => DoseWords::describe($prescription, $this->evaluation->isMeasured()),
            'load' =>
                $load === null
                    ? null
                    : [
                        'source' => $load->source->value,
                        'kg' => $load->kg,
                        'words' => DoseWords::load($load, $prescription),
                    ],
            'band' => HeldForce::present($prescription, $this->evaluation, $this->catalogue),
            'tempo_words' => DoseWords::tempo($prescription),
            'max_pain' => $prescription->maxPain($this->case->response_rule->during_max),
            'wanted_pain' => $prescription->minPain(),
            // Where pain leads the dose, or the test is repeated between sets, each set is judged by itself.
            'pain_by_set' => $this->retests || $prescription->minPain() !== null,
            'relief' => array_map(
                fn(Relief $relief): array => [
                    'kind' => $relief->kind->value,
                    'words' => TodayWords::relief($relief),
                    'exercise' =>
                        $relief->exercise === null
                            ? null
                            : [
                                'exercise' => $relief->exercise->key,
                                'title' => $relief->exercise->title,
                                'mode' => $relief->exercise->mode->value,
                                'figure' => $this->figures->keyOf($relief->exercise->key),
                                'set_up' => $relief->exercise->set_up,
                                'movement' => $relief->exercise->movement,
                            ],
                ],
                Relief::forPrescription($prescription, $this->catalogue),
            ),
            'usual_load' => UsualLoad::forPrescription(
                $prescription,
                $load,
                $this->case->athlete->body_mass_kg,
            )?->toArray(),
            'why' => $next === null ? null : TodayWords::asked($next),
            'dose' => $prescription->dose->toArray(),
        ];
    }

    /** Where both sides are affected, both take their turn. */
    private function limbs(Prescription $prescription): Limbs
    {
        return $this->case->side === Side::Both->value ? $prescription->limbs->onBothSides() : $prescription->limbs;
    }

    /** @return array<string, mixed>|null what a practice on the way back to sport asks for, and why */
    private function practice(?Slot $slot, ?PracticeStep $step): ?array
    {
        $ladder = $slot === null ? null : PracticeLadder::forSlot($slot, $this->evaluation);
        if ($step === null || $ladder === null) {
            return null;
        }
        $at = (int) array_search($step, $ladder->steps, true);

        return [
            'title' => $step->title,
            'minutes' => $step->minutes,
            'effort' => $step->effort,
            'full' => $step->full,
            'step' => $at + 1,
            'of' => count($ladder->steps),
            'why' => $at === $ladder->at ? TodayWords::practice($ladder) : 'If the practices before it settle.',
        ];
    }

    /** @return array{number: int, of: int, least_hours: int, from: string|null}|null which of several of its kind on a day it is */
    private function part(PlannedSession $planned): ?array
    {
        $of = $this->stage->slot($planned->slot)->times_per_day ?? 1;
        if ($of < 2) {
            return null;
        }
        $least = TodayWords::leastHours($of);
        $last =
            $planned->on !== $this->evaluation->log->today->toIso()
                ? null
                : $this->case
                    ->trainingSessions()
                    ->whereIn(
                        'planned_id',
                        PlannedSession::query()
                            ->select('id')
                            ->where('case_id', $this->case->id)
                            ->where('on', $planned->on)
                            ->where('slot', $planned->slot),
                    )
                    ->reorder('ended_at', 'desc')
                    ->first();

        return [
            'number' => $planned->number,
            'of' => $of,
            'least_hours' => $least,
            'from' => $last?->ended_at->addHours($least)->setTimezone($this->case->practice->timezone)->format('H:i'),
        ];
    }
}
