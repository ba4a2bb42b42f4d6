<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\CaseFile\Structure;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;

/** The main shape of a school's programme; a case gets a copy of its plan. */
final readonly class Programme
{
    /** @param list<Structure> $structures */
    private function __construct(
        public string $key,
        public string $title,
        public array $structures,
        /** The key of its response rule. */
        public string $rule,
        public string $summary,
        public string $timeScale,
        /** The name of the severity score that its gates look at. */
        public ?string $severityMeasure,
        public Plan $plan,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->text('title'),
            $node->choicesOrNull('structures', Structure::class) ?? [],
            $node->text('rule'),
            $node->text('summary'),
            $node->text('time_scale'),
            $node->textOrNull('severity_measure'),
            new Plan(Plan::readStages($node)),
        );
    }
}
