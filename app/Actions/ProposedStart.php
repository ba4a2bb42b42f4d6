<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Calendar\Placed;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Lint\LintNote;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Start\RungLevel;
use Rung\Core\Start\StartPlan;
use Rung\Core\Start\StartProposal;

/** Where a case would begin: the proposal, and the plan that comes of it and of what was chosen instead. */
final readonly class ProposedStart
{
    /**
     * @param list<Placed> $calendar of the first weeks
     * @param list<LintNote> $lint
     */
    public function __construct(
        public Catalogue $catalogue,
        public StructureInfo $structure,
        public Programme $programme,
        public ResponseRule $rule,
        public StartProposal $proposal,
        /** The stage in which it begins, proposed or chosen; null where the start is blocked. */
        public ?PlanStage $stage,
        public RungLevel $level,
        public ?StartPlan $plan,
        public array $calendar,
        public array $lint,
    ) {}
}
