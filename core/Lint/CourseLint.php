<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Attention\Attention;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;

/** What can be said of a case that has begun: how its doses were answered. */
final class CourseLint extends Notes
{
    protected function look(): void
    {
        $evaluation = $this->subject->evaluation;
        if ($evaluation === null) {
            return;
        }
        $this->reserve($evaluation);
        $days = $this->limit(LintKey::TooTimid, 'days');
        if (Attention::isTooTimid($evaluation->log, $evaluation->sessions, $evaluation->adherence)) {
            $this->say(LintKey::TooTimid, "Nothing was changed for $days days though every answer settled.");
        }
        $least = $this->limit(LintKey::LittleDone, 'percent');
        if ($evaluation->adherence->percent !== null && $evaluation->adherence->percent < $least) {
            $this->say(LintKey::LittleDone, "{$evaluation->adherence->percent} % done in two weeks. Look at what stands in the way before the dose.");
        }
        if (Attention::isNotImproving($evaluation->log)) {
            $this->say(LintKey::Plateau, 'No better than in the first week. ' . $this->oneThing());
        }
    }

    private function reserve(Evaluation $evaluation): void
    {
        $reps = $this->limit(LintKey::EasyHighReps, 'reps');
        $most = $this->limit(LintKey::EasyHighReps, 'reserve');
        foreach ($this->subject->stage->stage->prescriptions as $prescription) {
            $sets = [];
            foreach ($evaluation->log->ended as $session) {
                $sets = $session->setsOf($prescription->key) ?: $sets;
            }
            foreach ($sets as $set) {
                if (($set->reps ?? 0) >= $reps && ($set->rir ?? 0) >= $most) {
                    $this->say(LintKey::EasyHighReps, "$set->reps repetitions were done with $set->rir in reserve.", $prescription);

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
            $next = $this->subject->catalogue->neighbour($prescription->exercise, 1) ?? $this->subject->catalogue->neighbour($prescription->exercise, -1);
            if ($next !== null) {
                return "Change one thing: $next->title in place of {$this->subject->catalogue->titleOf($prescription->exercise)}.";
            }
        }

        return 'Change one thing, and say which.';
    }
}
