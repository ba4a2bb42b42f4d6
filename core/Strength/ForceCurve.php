<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

use Rung\Core\Input\ObjectNode;

/** The forces of one try in order of time, as a gauge sent them (docs/rules.md, "A force curve"). */
final readonly class ForceCurve
{
    /** Twelve and a half minutes at 80 samples a second. */
    public const MOST_SAMPLES = 60_000;

    /** Milliseconds between two samples beyond which part of the curve is missing. */
    public const LONGEST_GAP_MS = 100;

    /** Newtons that a pull must rise over the start: less is the noise of a gauge that nobody pulls at. */
    public const LEAST_PULL_N = 5;

    private const LONGEST_MS = 3_600_000;

    private const LARGEST_FORCE = 100_000;

    /**
     * @param list<int|float> $ms since the recording began, rising
     * @param list<int|float> $newtons as many
     */
    public function __construct(public array $ms, public array $newtons) {}

    /** Reads `ms`, `force` and `unit`; faults name the sample. */
    public static function read(ObjectNode $node): self
    {
        $ms = $node->series('ms', self::MOST_SAMPLES, 0, self::LONGEST_MS);
        $force = $node->series('force', self::MOST_SAMPLES, -self::LARGEST_FORCE, self::LARGEST_FORCE);
        $perUnit = $node->choice('unit', ForceUnit::class)->newtons();
        if ($ms === null || $force === null) {
            return new self([], []);
        }
        self::check($node, $ms, $force);

        return new self(
            $ms,
            $perUnit === 1.0 ? $force : array_map(static fn(int|float $value): float => $value * $perUnit, $force),
        );
    }

    /**
     * @param list<int|float> $ms
     * @param list<int|float> $force
     */
    private static function check(ObjectNode $node, array $ms, array $force): void
    {
        if (count($ms) < 2 && $node->has('ms')) {
            $node->fault('ms', 'must hold at least 2 moments');
        }
        if (count($ms) !== count($force) && $node->has('force')) {
            $node->fault('force', 'must hold as many values as ms: ' . count($ms) . ', not ' . count($force));
        }
        foreach ($ms as $i => $at) {
            $gap = $i === 0 ? 1 : $at - $ms[$i - 1];
            if ($gap <= 0) {
                $node->inItem("ms/$i", 'must be later than the one before it');

                return;
            }
            if ($gap > self::LONGEST_GAP_MS) {
                $node->inItem(
                    "ms/$i",
                    "comes $gap ms after the one before it: more than " .
                        self::LONGEST_GAP_MS .
                        ' ms of the curve are missing, take the try again',
                );

                return;
            }
        }
    }
}
