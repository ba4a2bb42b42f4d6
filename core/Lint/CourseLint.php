<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Catalogue\LintKey;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;

/** What can be said of a case that has begun: how its doses were answered. */
final class CourseLint extends Notes
{
    protected function look(): void
    {
        $summary = $this->subject->summary;
        if ($summary === null) {
            return;
        }
        $this->reserve($summary);
        $days = $this->limit(LintKey::TooTimid, 'days');
        if ($summary->tooTimid) {
            $this->say(LintKey::TooTimid, "Nothing was changed for $days days though every answer settled.");
        }
        $least = $this->limit(LintKey::LittleDone, 'percent');
        if ($summary->adherencePercent !== null && $summary->adherencePercent < $least) {
            $this->say(
                LintKey::LittleDone,
                "$summary->adherencePercent % done in two weeks. Look at what stands in the way before the dose.",
            );
        }
        if ($summary->notImproving) {
            $this->say(LintKey::Plateau, 'No better than in the first week. ' . $this->oneThing());
        }
    }

    private function reserve(TrainingSummary $summary): void
    {
        $reps = $this->limit(LintKey::EasyHighReps, 'reps');
        $most = $this->limit(LintKey::EasyHighReps, 'reserve');
        foreach ($this->subject->stage->stage->prescriptions as $prescription) {
            foreach ($summary->doneOf($prescription)->sets ?? [] as $set) {
                if (($set->reps ?? 0) >= $reps && ($set->rir ?? 0) >= $most) {
                    $this->say(
                        LintKey::EasyHighReps,
                        "$set->reps repetitions were done with $set->rir in reserve.",
                        $prescription,
                    );

                    break;
                }
            }
        }
    }

    /** On a plateau one thing is changed, and which is said. */
    private function oneThing(): string
    {
        $prescriptions = $this->subject->stage->stage->prescriptions;
        $modes = array_unique(array_map(static fn(Prescription $p): string => $p->mode->value, $prescriptions));
        if (count($modes) === 1) {
            return $modes === [Mode::Isometric->value]
                ? 'Change one thing: another kind of contraction, slow strength beside the holds.'
                : 'Change one thing: another kind of contraction, holds beside what is there.';
        }
        foreach ($prescriptions as $prescription) {
            $next =
                $this->subject->catalogue->neighbour($prescription->exercise, 1) ??
                $this->fromAnotherLadder($prescription);
            if ($next !== null) {
                return "Change one thing: $next->title in place of {$this->subject->catalogue->titleOf(
                    $prescription->exercise,
                )}.";
            }
        }

        return 'Change one thing, and say which.';
    }

    /** For what stands on the top of its ladder: the top of another that loads the structure directly in the same way. */
    private function fromAnotherLadder(Prescription $prescription): ?Exercise
    {
        $taken = array_column($this->subject->stage->stage->prescriptions, 'exercise');
        foreach ($this->subject->catalogue->ladders as $ladder) {
            $rungs = $ladder->exercises();
            $top = $this->subject->catalogue->exercises[$rungs[count($rungs) - 1] ?? ''] ?? null;
            if (
                $top !== null &&
                $top->mode === $prescription->mode &&
                !in_array($top->key, $taken, true) &&
                $top->loads($this->subject->structure->structure) === Directness::Target
            ) {
                return $top;
            }
        }

        return null;
    }
}
