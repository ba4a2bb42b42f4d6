<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
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

    #[TestRule]
    public function coreReadsNoClockAndNoDisk(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rung\Core'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('Illuminate'), Selector::inNamespace('App'), Selector::inNamespace('Carbon'))
            ->because('the application depends on the core and never the other way round');
    }
}
