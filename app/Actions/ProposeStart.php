<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Start\StartAdvisor;
use Rung\Core\Start\StartProposal;
use Rung\Core\Start\StartStage;

/** Where the programme would have an athlete begin, from what was found. */
final class ProposeStart
{
    public function __construct(private readonly Catalogue $catalogue) {}

    /** @throws InvalidInput */
    public function handle(CaseOpening $opening): StartProposal
    {
        $programme = $this->catalogue->programmes[$opening->programme]
            ?? throw InvalidInput::at('/programme', 'must name a programme of the catalogue');
        if (!in_array($opening->structure, $programme->structures, true)) {
            throw InvalidInput::at('/programme', 'is not meant for this structure; choose another');
        }

        return StartAdvisor::propose(
            $opening->findings,
            $opening->goal,
            array_map(StartStage::of(...), $programme->plan->caseStages()),
            $opening->risks !== [],
            in_array(false, array_column($opening->referralSigns, 'resolved'), true),
        );
    }
}
