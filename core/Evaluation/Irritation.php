<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Decision\ActionKind;

/** Whether a case is irritable now (docs/rules.md, "Lint"): by its last week, not by its intake. */
final class Irritation
{
    private const DAYS = 7;

    /** A test score over this, of 10, is not low (docs/rules.md, "Where to begin"). */
    private const LOW_TEST = 3;

    /** Not knowing counts as irritable: the careful answer. */
    public static function isIrritable(Evaluation $evaluation): bool
    {
        $scores = $evaluation->log->scores(self::DAYS);

        return $scores === [] ||
            max($scores) > self::LOW_TEST ||
            in_array($evaluation->action->kind, [ActionKind::Stop, ActionKind::StepDown, ActionKind::Ease], true);
    }
}
