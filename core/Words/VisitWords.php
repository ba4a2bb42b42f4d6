<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Number;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Start\Trial;
use Rung\Core\Strength\Strength;

/** Says in a sentence each what was tried and measured at a visit. */
final readonly class VisitWords
{
    /** @param int $stopAt the school's stop level, 0–10 */
    public function __construct(private Catalogue $catalogue, private bool $bothSides, private int $stopAt) {}

    /**
     * @param list<Trial> $trials
     * @param list<StrengthTest> $tests
     * @param list<Outcome> $scores
     */
    public function describe(array $trials, array $tests, array $scores): string
    {
        $words = [];
        if ($trials !== []) {
            $words[] =
                'Tried: ' .
                implode(
                    '; ',
                    array_map(
                        fn(Trial $trial): string => "{$this->catalogue->titleOf($trial->exercise)}, {$trial->words()}" .
                            ($trial->pain >= $this->stopAt ? ', the stop level' : ''),
                        $trials,
                    ),
                ) .
                '.';
        }
        $measured = [...array_map($this->test(...), $tests), ...array_map($this->score(...), $scores)];
        if ($measured !== []) {
            $words[] = 'Measured: ' . implode('; ', $measured) . '.';
        }

        return $words === [] ? 'Visit.' : 'Visit. ' . implode(' ', $words);
    }

    private function score(Outcome $score): string
    {
        $measure = $this->catalogue->measures[$score->measure] ?? null;

        return $measure === null
            ? self::title($score->measure) . " $score->score"
            : "$measure->title $score->score $measure->unit";
    }

    /** A score as people read it, where only its key is known. */
    public static function title(string $measure): string
    {
        return ucfirst(strtr($measure, '_', ' '));
    }

    private function test(StrengthTest $test): string
    {
        $title = $this->catalogue->measure($test->test)->title;
        $symmetry = Number::tenth(Strength::symmetry($test->affected, $test->unaffected, $this->bothSides));

        return "$title $test->affected and $test->unaffected $test->unit, symmetry $symmetry %";
    }
}
