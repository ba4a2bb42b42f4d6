<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

use Rung\Core\Number;

/** The tries of one side of a measure, and whether they agree (docs/rules.md, "Measures"). */
final readonly class Tries
{
    /** Percent of the best by which tries may differ. */
    public const MOST_SPREAD = 10;

    /** Tries beyond those that are asked for after which it is left as it is: a tired muscle shows less. */
    public const MOST_MORE = 2;

    private function __construct(
        public int|float $best,
        /** The best from the worst of the best tries that are asked for, in percent of the larger; null of a single try. */
        public int|float|null $spreadPercent,
        public TriesVerdict $verdict,
    ) {}

    /**
     * @param non-empty-list<int|float> $values those that count, in the order in which they were taken
     * @param int $asked how many the measure asks for, 1 or more
     */
    public static function judge(array $values, int $asked, bool $higherIsBetter): self
    {
        $higherIsBetter ? rsort($values) : sort($values);
        $best = $values[0];
        $counted = array_slice($values, 0, $asked);
        $worst = $counted[count($counted) - 1];
        $larger = max(abs($best), abs($worst));
        $spread = count($counted) < 2 ? null : ($larger == 0 ? 0 : (100 * abs($best - $worst)) / $larger);

        return new self(
            $best,
            $spread,
            match (true) {
                count($values) < $asked => TriesVerdict::Go,
                $spread === null || Number::atMost($spread, self::MOST_SPREAD) => TriesVerdict::Done,
                count($values) >= $asked + self::MOST_MORE => TriesVerdict::Unsteady,
                default => TriesVerdict::OnceMore,
            },
        );
    }
}
