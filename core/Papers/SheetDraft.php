<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Acceptance\NextLoad;
use Rung\Core\Calendar\Slot;
use Rung\Core\Dose\Prescription;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Side;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\TodayWords;

/** The athlete's sheet: what to do, how much it may hurt, when to stop. */
final class SheetDraft
{
    /** @return list<Block> */
    public static function blocks(PaperFacts $facts): array
    {
        $evaluation = $facts->evaluation;
        $rule = $evaluation->log->file->response_rule;
        if ($facts->isStopped()) {
            return [
                Block::text('stopped', 'No loading', [TodayWords::STOPPED, 'If it is severe, go to emergency care.']),
                Block::text('call', 'Whom to call', [self::call($facts->letterhead)]),
            ];
        }
        $stage = $facts->plan->stage($evaluation->log->stage->key);

        return [
            Block::text('stage', null, [PaperWords::stage($facts)]),
            ...$stage === null
                ? []
                : array_map(
                    static fn(Slot $slot): Block => Block::exercises(
                        "slot_$slot->key",
                        $slot->name(),
                        self::exercises($facts, $stage, $slot),
                    ),
                    $stage->slots,
                ),
            Block::text('limits', 'How much it may hurt', [
                "Up to $rule->during_max of 10 while you do it, if it has calmed down by the next morning. Over $rule->during_max: make it easier or leave it for today. From $rule->stop_at: stop for today and tell us.",
            ]),
            Block::text('morning', 'Every morning', [
                ucfirst($facts->morningTest) .
                ": once, at the same time, and note the score from 0 to 10. Over $rule->next_day_max, or clearly more than usual: yesterday was too much; tell us before the next session.",
            ]),
            Block::text('advice', 'For now', [
                implode(' ', array_map(static fn(string $text): string => rtrim($text, '.') . '.', $facts->advice)),
            ]),
            Block::text('stop', 'Stop and be seen', [
                'A sudden pop or loss of function, swelling, warmth or fever, unexplained pain at night, numbness or weakness, giving way, locking, or a fall onto it: stop and call us, or go to emergency care if it is severe. Aching in the night after loading is no stop: it was too much, so tell us.',
            ]),
            Block::text('time', 'How long it takes', [
                $facts->programme?->timeScale,
                'Pain may linger while you can do more and more; what a picture of a scan shows does not steer the plan.',
            ]),
            Block::text('call', 'Whom to call', [self::call($facts->letterhead)]),
        ];
    }

    /** @return list<list<string>> */
    private static function exercises(PaperFacts $facts, PlanStage $stage, Slot $slot): array
    {
        $evaluation = $facts->evaluation;
        $asked = $evaluation->askedByPrescription();
        $due = array_filter(
            $stage->stage->prescriptions,
            static fn(Prescription $prescription): bool => $prescription->slot === $slot->key &&
                !$facts->plan->rests($prescription->key, $evaluation->log->today),
        );

        return array_values(
            array_map(static function (Prescription $prescription) use ($facts, $evaluation, $asked): array {
                $prescription = isset($asked[$prescription->key])
                    ? $asked[$prescription->key]->asPrescription()
                    : $prescription;
                $exercise = $facts->catalogue->exercises[$prescription->exercise] ?? null;
                $load = NextLoad::forPrescription($prescription, $evaluation, $facts->catalogue);
                $limbs =
                    $facts->side === Side::Both->value ? $prescription->limbs->onBothSides() : $prescription->limbs;

                return [
                    $exercise->title ?? $prescription->exercise,
                    implode(
                        ', ',
                        array_filter([
                            DoseWords::describe($prescription, $evaluation->isMeasured()),
                            $load === null ? null : DoseWords::load($load, $prescription),
                            DoseWords::limbs($limbs),
                        ]),
                    ),
                    trim(implode(' ', array_filter([$exercise?->set_up, $exercise?->movement, $prescription->cue]))),
                    $exercise->feel ?? '',
                    $exercise->faults ?? '',
                    'up to ' . $prescription->maxPain($evaluation->log->file->response_rule->during_max) . ' of 10',
                    // Which figure stands beside it, and how far it goes.
                    implode(
                        ' ',
                        array_filter(
                            [
                                $prescription->exercise,
                                $prescription->dose->range?->from_deg,
                                $prescription->dose->range?->to_deg,
                            ],
                            static fn(mixed $part): bool => $part !== null,
                        ),
                    ),
                ];
            }, $due),
        );
    }

    private static function call(Letterhead $practice): string
    {
        return PaperWords::sentences([
            $practice->name . ($practice->telephone === null ? '.' : ", $practice->telephone."),
            $practice->hours === null ? null : "$practice->hours.",
        ]);
    }
}
