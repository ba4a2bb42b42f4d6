<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Slot;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Record\Session;
use Rung\Core\Stage\Stage;

/**
 * A plan of the stages of a case file. A file has doses and gates, and no calendar: that is taken from a programme whose
 * stage holds the same kinds of session, else worked out from the days on which the stage was trained (docs/rules.md,
 * "A case file comes in").
 */
final readonly class FilePlan
{
    /** Where a file names no kind of session. */
    private const SLOT = 'session';

    /** Days at the end of a stage that its rhythm is worked out from. */
    private const LOOK_BACK_DAYS = 28;

    /** Sessions a week where none was done. */
    private const USUAL_TIMES = 3;

    /** @param list<string> $derived keys of stages whose calendar is worked out, and is to be looked at */
    private function __construct(public Plan $plan, public array $derived) {}

    /** @param list<PlanStage> $known of a programme */
    public static function fromFile(CaseFile $file, array $known): self
    {
        $stages = $leftOut = $derived = [];
        foreach ($file->stages as $stage) {
            if ($stage->key === Plan::LEFT_OUT) {
                $leftOut = $stage->prescriptions;
            }
        }
        foreach ($file->stages as $stage) {
            if ($stage->key === Plan::LEFT_OUT) {
                continue;
            }
            $like = self::like($stage, $known);
            if ($like === null) {
                $derived[] = $stage->key;
            }
            $stages[] =
                $like === null ? self::derived($stage, $file) : self::waitingOn($like->withStage($stage), $leftOut);
        }
        $waiting = array_merge(
            ...array_map(
                static fn(PlanStage $planStage): array => array_map(
                    static fn(Waiting $later): string => $later->prescription->key,
                    $planStage->waiting,
                ),
                $stages,
            ),
        );
        $leftOut = array_values(
            array_filter(
                $leftOut,
                static fn(Prescription $prescription): bool => !in_array($prescription->key, $waiting, true),
            ),
        );

        return new self(new Plan($stages, leftOut: $leftOut), $derived);
    }

    /**
     * How many stages of a programme the file has, key by key.
     *
     * @param list<PlanStage> $known
     */
    public static function shared(CaseFile $file, array $known): int
    {
        return count(
            array_intersect(
                array_column($file->stages, 'key'),
                array_map(static fn(PlanStage $stage): string => $stage->stage->key, $known),
            ),
        );
    }

    /**
     * What the programme lets wait goes on waiting where the file has not begun it: there it stands among what is left out.
     *
     * @param list<Prescription> $leftOut
     */
    private static function waitingOn(PlanStage $stage, array $leftOut): PlanStage
    {
        $kept = array_column($leftOut, null, 'key');

        return new PlanStage(
            $stage->stage,
            $stage->slots,
            $stage->rhythm,
            array_values(
                array_filter(
                    array_map(
                        static fn(Waiting $waiting): ?Waiting => isset($kept[$waiting->prescription->key])
                            ? $waiting->with($kept[$waiting->prescription->key])
                            : null,
                        $stage->waiting,
                    ),
                ),
            ),
        );
    }

    /** @param list<PlanStage> $known */
    private static function like(Stage $stage, array $known): ?PlanStage
    {
        foreach ($known as $session) {
            $slots = array_column($session->slots, 'key');
            $asked = array_map(
                static fn(Prescription $prescription): ?string => $prescription->slot,
                $stage->prescriptions,
            );
            if (
                $session->stage->key === $stage->key &&
                array_filter($asked, static fn(?string $slot): bool => !in_array($slot, $slots, true)) === []
            ) {
                return $session;
            }
        }

        return null;
    }

    private static function derived(Stage $stage, CaseFile $file): PlanStage
    {
        $prescriptions = array_map(
            static fn(Prescription $prescription): Prescription => $prescription->slot === null
                ? $prescription->inSlot(self::SLOT)
                : $prescription,
            $stage->prescriptions,
        );
        $slots = [];
        foreach ($prescriptions as $prescription) {
            $key = $prescription->slot ?? self::SLOT;
            $slots[$key] ??= new Slot(
                $key,
                $prescription->mode,
                title: $key === self::SLOT ? $stage->title : ucfirst(str_replace('_', ' ', $key)),
            );
        }
        $slots =
            $slots === []
                ? [
                    new Slot(
                        self::SLOT,
                        $stage->mode === Mode::Mixed ? Mode::Sport : $stage->mode,
                        title: $stage->title,
                    ),
                ]
                : array_values($slots);
        // Several kinds of session are done in turn, one a day.
        $rhythm =
            count($slots) > 1
                ? Rhythm::inTurn(array_column($slots, 'key'))
                : Rhythm::perWeek(self::times($stage, $file), 1);

        return new PlanStage($stage->withPrescriptions($prescriptions), $slots, $rhythm);
    }

    /** Days a week on which the stage was trained towards its end. */
    private static function times(Stage $stage, CaseFile $file): int
    {
        $days = array_unique(
            array_map(
                static fn(Session $session): int => $file->timezone->dayOf($session->started_at)->number,
                array_filter($file->sessions, static fn(Session $session): bool => $session->stage === $stage->key),
            ),
        );
        if ($days === []) {
            return self::USUAL_TIMES;
        }
        sort($days);
        $last = $days[count($days) - 1];
        $recent = array_values(array_filter($days, static fn(int $day): bool => $day > $last - self::LOOK_BACK_DAYS));
        $weeks = max(1, ($last - ($recent[0] ?? $last) + 1) / 7);

        return max(1, min(7, (int) round(count($recent) / $weeks)));
    }
}
