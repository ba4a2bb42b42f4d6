<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Catalogue\LintKey;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Time\TimeWords;

/** What can be said of the step from the doses before to these. */
final class ChangeLint extends Notes
{
    protected function look(): void
    {
        $changes = [];
        foreach ($this->subject->stage->stage->prescriptions as $prescription) {
            $before = $this->before($prescription->key);
            if ($before !== null) {
                foreach (self::raised($before, $prescription) as $what) {
                    $changes[] = "$what of {$this->subject->catalogue->titleOf($prescription->exercise)}";
                }
                $this->growth($before, $prescription);
                $this->againstDone($before, $prescription);
            }
            $this->blocks($prescription);
        }
        $this->inAll();
        if (count($changes) > $this->limit(LintKey::SeveralLevers, 'levers')) {
            $this->say(
                LintKey::SeveralLevers,
                count($changes) . ' at once: ' . implode(', ', $changes) . '. Change one and wait for its answer.',
            );
        }
    }

    private function growth(Prescription $before, Prescription $after): void
    {
        if ($before->exercise !== $after->exercise) {
            return;
        }
        $this->judge($after, $this->work($before->mode, $before->dose), $this->work($after->mode, $after->dose), '');
    }

    /** What is prescribed and what was done may differ, so growth is measured against both. */
    private function againstDone(Prescription $before, Prescription $after): void
    {
        $done = $this->subject->summary->done[$after->key] ?? null;
        if (
            $done === null ||
            $done->exercise !== $after->exercise ||
            $this->work($after->mode, $after->dose) <= $this->work($before->mode, $before->dose)
        ) {
            return;
        }
        $body = ($after->dose->body_fraction ?? 0) * ($this->subject->bodyMassKg ?? 0);
        $work = array_sum(
            array_map(
                static fn(LoggedSet $set): int|float => match (true) {
                    $after->mode === Mode::Isometric => ($set->reps ?? 1) * ($set->hold_s ?? 0),
                    $after->mode->isMoving() => ($set->reps ?? 0) * max(1, ($set->load_kg ?? 0) + $body),
                    default => $set->reps ?? 0,
                },
                $done->sets,
            ),
        );
        $this->judge(
            $after,
            $work,
            $this->work($after->mode, $after->dose),
            ' against what was done on ' . TimeWords::day($done->on),
        );
    }

    /** An exercise that comes in grows the whole, though no dose grew. */
    private function inAll(): void
    {
        if ($this->subject->before === []) {
            return;
        }
        $known = array_column($this->subject->before, 'key');
        $added = array_filter(
            $this->subject->stage->stage->prescriptions,
            static fn(Prescription $prescription): bool => !in_array($prescription->key, $known, true),
        );
        [$old, $new, $more] = [
            $this->sums($this->subject->before),
            $this->sums($this->subject->stage->stage->prescriptions),
            $this->sums(array_values($added)),
        ];
        foreach (array_keys($more) as $kind) {
            $percent = ($old[$kind] ?? 0) == 0 ? 0 : (100 * ($new[$kind] - $old[$kind])) / $old[$kind];
            if (Number::over($percent, $this->subject->rule->week_growth_max_percent)) {
                $this->say(
                    LintKey::Growth,
                    'In all +' .
                        Number::tenth($percent) .
                        " % of $kind in a session, since an exercise comes in; the school's limit is {$this->subject->rule->week_growth_max_percent} % a week.",
                );
            }
        }
    }

    /**
     * @param list<Prescription> $of
     *
     * @return array<string, int|float> the work of one session, by its kind
     */
    private function sums(array $of): array
    {
        $sums = [];
        foreach ($of as $prescription) {
            $kind = match (true) {
                $prescription->mode === Mode::Isometric => 'seconds held',
                $prescription->mode->isMoving() => 'work lifted',
                default => 'repetitions',
            };
            $sums[$kind] = ($sums[$kind] ?? 0) + $this->work($prescription->mode, $prescription->dose);
        }

        return $sums;
    }

    /** Blocks of weeks set their own growth, so the note gives the real percentage. */
    private function blocks(Prescription $prescription): void
    {
        $last = null;
        foreach ($prescription->progression->blocks ?? [] as $block) {
            if ($last !== null) {
                $this->judge(
                    $prescription,
                    $last->sets * $last->reps,
                    $block->sets * $block->reps,
                    " of repetitions in week $block->from_week",
                );
            }
            $last = $block;
        }
    }

    private function judge(Prescription $prescription, int|float $old, int|float $new, string $where): void
    {
        $most = $this->subject->rule->week_growth_max_percent;
        $percent = $old == 0 ? 0 : (100 * ($new - $old)) / $old;
        if (Number::over($percent, $most)) {
            $this->say(
                LintKey::Growth,
                '+' . Number::tenth($percent) . " % of work$where, the school's limit is $most % a week.",
                $prescription,
            );
        }
    }

    /** @return list<string> what became harder; what is set back beside it does not count */
    private static function raised(Prescription $before, Prescription $after): array
    {
        [$old, $new] = [$before->dose, $after->dose];
        if ($before->exercise !== $after->exercise) {
            return ['the rung'];
        }
        $heavier = $old->rm !== null && $new->rm !== null && $new->rm < $old->rm;

        return array_keys(
            array_filter([
                'the sets' => $new->sets > $old->sets,
                'the repetitions' => $new->reps > $old->reps,
                'the hold' => ($new->hold_s ?? 0) > ($old->hold_s ?? 0),
                'the work time' => ($new->work_s ?? 0) > ($old->work_s ?? 0),
                'the intensity' => ($new->percent_mvc ?? 0) > ($old->percent_mvc ?? 0),
                'the range' =>
                    $new->range !== null && $old->range !== null && $new->range->width() > $old->range->width(),
                'the tempo' => $new->tempo?->toArray() != $old->tempo?->toArray(),
                'the load' => $heavier || ($new->load_kg ?? 0) > ($old->load_kg ?? 0),
            ]),
        );
    }

    private function before(string $key): ?Prescription
    {
        foreach ($this->subject->before as $prescription) {
            if ($prescription->key === $key) {
                return $prescription;
            }
        }

        return null;
    }

    /** Seconds held, kilograms lifted or repetitions, as the weekly cap counts them. */
    private function work(Mode $mode, Dose $dose): int|float
    {
        $body = ($dose->body_fraction ?? 0) * ($this->subject->bodyMassKg ?? 0);

        return $dose->sets *
            match (true) {
                $mode === Mode::Isometric => $dose->reps * ($dose->hold_s ?? 0),
                $mode->isMoving() => $dose->reps * max(1, ($dose->load_kg ?? 0) + $body),
                default => $dose->reps,
            };
    }
}
