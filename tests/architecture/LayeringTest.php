<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Dependencies point one way: the core knows of nothing but itself and PHP. */
final class LayeringTest
{
    #[TestRule]
    public function coreStandsAlone(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rung\Core'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('Rung\Core'),
                Selector::inNamespace('Random'),
                Selector::classname('/^[a-zA-Z]+$/', true),
            )
            ->because('the rules run without framework, clock and database');
    }

    /** Each folder of the core knows those before it, and none after it: docs/architecture.md draws the line. */
    public const LINE = [
        'Time',
        'Input',
        'Table',
        'Dose',
        'Record',
        'Exercise',
        'Strength',
        'Stage',
        'CaseFile',
        'Calendar',
        'Plan',
        'Screening',
        'Catalogue',
        'Figure',
        'Measuring',
        'Response',
        'Gate',
        'Decision',
        'Attention',
        'Evaluation',
        'Acceptance',
        'Snapshot',
        'Lint',
        'Prescribe',
        'Start',
        'Simulation',
        'Words',
        'Papers',
        'HealthRecord',
        'Cli',
    ];

    /** @return iterable<Rule> */
    #[TestRule]
    public function coreIsALine(): iterable
    {
        foreach (self::LINE as $i => $layer) {
            $later = array_map(
                static fn(string $text): SelectorInterface => Selector::inNamespace("Rung\\Core\\$text"),
                array_slice(self::LINE, $i + 1),
            );
            if ($later !== []) {
                yield $layer => PHPat::rule()
                    ->classes(Selector::inNamespace("Rung\\Core\\$layer"))
                    ->shouldNotDependOn()
                    ->classes(...$later)
                    ->because("$layer stands before them in the core's line");
            }
        }
    }

    #[TestRule]
    public function coreKnowsNoApplication(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rung\Core'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Illuminate'),
                Selector::inNamespace('App'),
                Selector::inNamespace('Carbon'),
            )
            ->because('the application depends on the core and never the other way round');
    }
}
