<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\OpeningData;
use App\Actions\ProposedStart;
use App\Actions\ProposeStart;
use Rung\Core\Calendar\Placed;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Lint\LintNote;
use Rung\Core\Number;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Purpose;
use Rung\Core\Screening\FoundRisk;
use Rung\Core\Screening\FoundSign;
use Rung\Core\Screening\Growth;
use Rung\Core\Start\RungChoice;
use Rung\Core\Start\Trials;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\StartWords;

/** What the opening of a case shows of the proposed start: each part with its reason. */
final class StartPage
{
    /** @return array<string, mixed> */
    public static function present(OpeningData $opening, ProposedStart $start, Day $today): array
    {
        $proposal = $start->proposal;

        return [
            'irritability' => $proposal->irritability->value,
            'irritability_words' => StartWords::irritability($opening->findings),
            'reasons' => array_column($proposal->reasons, 'value'),
            'blocked' => $proposal->blocked,
            'blocked_by' => self::blockedBy($opening),
            'stop_words' => self::stopped($opening, $start),
            'season_words' =>
                $opening->purpose === Purpose::Prevention && $opening->seasonFrom !== null
                    ? StartWords::season($today, $opening->seasonFrom, $start->programme->usualWeeks)
                    : null,
            'growing_age' =>
                Growth::isGrowing($opening->athlete->bornOn, $today) && $opening->athlete->bornOn !== null
                    ? Growth::ageOn($opening->athlete->bornOn, $today)
                    : null,
            'stage' => $proposal->stage,
            'rung' => $proposal->rung?->value,
            'notes' => $proposal->notes,
            'words' =>
                $start->stage === null
                    ? null
                    : StartWords::proposal(
                        $opening->findings,
                        $start->stage,
                        $start->level,
                        $start->plan->choices ?? [],
                    ),
            'programme_words' => self::programmeWords($start),
            'begins_at' => $start->stage?->stage->key,
            'rule' => $start->rule->name,
            'provocation_test' => $start->structure->testFor($proposal->irritability)->toArray(),
            'symmetry_percent' =>
                $opening->findings->symmetryPercent === null
                    ? null
                    : Number::tenth($opening->findings->symmetryPercent),
            'risks' => array_map(
                static fn(FoundRisk $risk): array => [
                    'key' => $risk->risk->key,
                    'counts' => $risk->counts($opening->beganOn),
                    'words' => $risk->words($opening->beganOn),
                ],
                $opening->risks,
            ),
            'stages' => array_map(
                static fn(PlanStage $planned): array => [
                    'key' => $planned->stage->key,
                    'title' => $planned->stage->title,
                    'applies' => $planned->stage->appliesTo($opening->goal),
                ],
                $start->programme->plan->stages,
            ),
            'choices' => array_map(
                static fn(RungChoice $choice): array => self::choice($choice, $start),
                $start->plan->choices ?? [],
            ),
            'lint' => array_map(static fn(LintNote $note): array => $note->toArray(), $start->lint),
            'calendar' => self::calendar($start),
            'sessions' => self::sessions($opening, $start),
            'others' => self::others($opening, $start),
        ];
    }

    private static function stopped(OpeningData $opening, ProposedStart $start): ?string
    {
        $pain = (new Trials($opening->trials, $start->rule->during_max))->worstStop($start->rule->stop_at);

        return $pain === null ? null : StartWords::stopped($pain);
    }

    private static function programmeWords(ProposedStart $start): string
    {
        $usual =
            $start->structure->usualProgramme === $start->programme->key
                ? "the usual programme for the {$start->structure->name()}"
                : 'chosen by you';
        $own = $start->rule->name === $start->programme->rule ? "the programme's own" : 'chosen by you';
        $school = $start->catalogue->school($start->rule->name ?? $start->programme->rule)->title;

        return "{$start->programme->title}: $usual. School: $school, $own.";
    }

    /** @return list<string> */
    private static function blockedBy(OpeningData $opening): array
    {
        $signs = array_map(
            static fn(FoundSign $sign): string => "$sign->words: say why it is safe to go on, or refer",
            array_values(array_filter($opening->signs, static fn(FoundSign $sign): bool => $sign->blocks())),
        );

        return $opening->findings->forbidStart()
            ? [...$signs, 'Pain at rest or on the test of 8 or more: no start']
            : $signs;
    }

    /** @return array<string, mixed> */
    private static function choice(RungChoice $choice, ProposedStart $start): array
    {
        $prescribed = self::prescribed($choice, $start);

        return [
            'prescription' => $choice->prescription->key,
            'exercise' => $choice->exercise->key,
            'title' => $choice->exercise->title,
            'slot' => $prescribed->slot,
            'mode' => $prescribed->mode->value,
            'limbs' => DoseWords::limbs($prescribed->limbs),
            'words' => DoseWords::describe($prescribed),
            'tempo_words' => DoseWords::tempo($prescribed),
            'usual' => $choice->exercise->usual->words(),
            'set_up' => $choice->exercise->set_up,
            'dose' => $prescribed->dose->toArray(),
            'reasons' => $choice->reasons,
            'alternatives' => array_map(
                static fn(Exercise $exercise): array => [
                    'exercise' => $exercise->key,
                    'title' => $exercise->title,
                    'mode' => $exercise->mode->value,
                    'words' => DoseWords::describe($exercise->asPrescription()),
                ],
                $choice->alternatives,
            ),
        ];
    }

    private static function prescribed(RungChoice $choice, ProposedStart $start): Prescription
    {
        return $start->stage?->stage->prescription($choice->prescription->key) ?? $choice->prescription;
    }

    /** @return list<array{on: string, title: string, mode: string}> */
    private static function calendar(ProposedStart $start): array
    {
        $slots = array_column($start->stage->slots ?? [], null, 'key');

        return array_map(
            static fn(Placed $placed): array => [
                'on' => $placed->on->toIso(),
                'title' => $slots[$placed->slot]->name(),
                'mode' => $slots[$placed->slot]->mode->value,
            ],
            $start->calendar,
        );
    }

    /** @return list<array{title: string, minutes: int}> how long each kind of session takes */
    private static function sessions(OpeningData $opening, ProposedStart $start): array
    {
        $mass = $opening->athlete->bodyMassKg ?? DoseArithmetic::MIN_BODY_MASS_KG;
        $sessions = [];
        $prescriptions = $start->stage->stage->prescriptions ?? [];
        foreach ($start->stage->slots ?? [] as $slot) {
            $of = array_values(
                array_filter(
                    $prescriptions,
                    static fn(Prescription $prescription): bool => $prescription->slot === $slot->key,
                ),
            );
            // The body mass does not enter the duration; its least keeps the sums of load from asking for it.
            $figures = array_map(
                static fn(Prescription $prescription) => DoseArithmetic::figures(
                    $prescription->mode,
                    $prescription->limbs,
                    $prescription->dose,
                    $mass,
                ),
                $of,
            );
            $sessions[] = [
                'title' => $slot->name(),
                'minutes' => (int) ceil(DoseArithmetic::session($figures)['duration_s'] / 60),
            ];
        }

        return $sessions;
    }

    /** @return list<array<string, mixed>> the other programmes for the structure, and where each would begin */
    private static function others(OpeningData $opening, ProposedStart $start): array
    {
        $others = array_filter(
            $start->catalogue->programmes,
            static fn(Programme $programme): bool => in_array($opening->structure, $programme->structures, true),
        );

        return array_values(
            array_map(static function (Programme $programme) use ($opening, $start): array {
                $proposal = ProposeStart::proposal($opening, $programme);
                $stage = $proposal->stage === null ? null : $programme->plan->stage($proposal->stage)?->stage->title;

                return [
                    'key' => $programme->key,
                    'title' => $programme->title,
                    'school' => $start->catalogue->school($programme->rule)->title,
                    'summary' => $programme->summary,
                    'caution' => $programme->caution,
                    'begins' => $stage === null ? null : "$stage, {$proposal->rung?->value} rung",
                    'chosen' => $programme->key === $start->programme->key,
                ];
            }, $others),
        );
    }
}
