<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;

/**
 * Finds exercises and programmes by what people type ("Achilles, no equipment, hold"). Every part must
 * fit; what loads a named structure directly comes first, then what is named so, then what is easier.
 */
final readonly class Search
{
    /** What people call the modes. */
    private const MODES = [
        'hold' => [Mode::Isometric],
        'isometric' => [Mode::Isometric],
        'slow' => [Mode::Isotonic, Mode::Eccentric],
        'strength' => [Mode::Isotonic, Mode::Eccentric],
        'isotonic' => [Mode::Isotonic],
        'lowering' => [Mode::Eccentric],
        'eccentric' => [Mode::Eccentric],
        'spring' => [Mode::Plyometric],
        'jump' => [Mode::Plyometric],
        'plyometric' => [Mode::Plyometric],
        'running' => [Mode::Running],
        'throwing' => [Mode::Throwing],
        'control' => [Mode::Control],
        'mobility' => [Mode::Mobility],
        'stretch' => [Mode::Mobility],
        'release' => [Mode::SoftTissue],
    ];

    private const LIMBS = [
        'one leg' => [Limbs::Affected, Limbs::Each],
        'one arm' => [Limbs::Affected, Limbs::Each],
        'one side' => [Limbs::Affected, Limbs::Each],
        'both legs' => [Limbs::Together],
        'both' => [Limbs::Together],
    ];

    private const NO_EQUIPMENT = ['no equipment', 'without equipment', 'nothing at hand'];

    public function __construct(private Catalogue $catalogue) {}

    /** @return list<Exercise> */
    public function exercises(string $query): array
    {
        $parts = self::parts($query);
        $found = [];
        foreach ($this->catalogue->exercises as $exercise) {
            $rank = $this->rank($exercise, $parts);
            if ($rank !== null) {
                $found[] = [$rank, $exercise];
            }
        }
        usort($found, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($found, 1);
    }

    /** @return list<Programme> */
    public function programmes(string $query): array
    {
        $parts = self::parts($query);

        return array_values(
            array_filter($this->catalogue->programmes, function (Programme $programme) use ($parts): bool {
                $structures = implode(
                    ' ',
                    array_map(
                        fn($structure): string => $this->catalogue->structure($structure)->names(),
                        $programme->structures,
                    ),
                );
                $school = $this->catalogue->schools[$programme->rule]->title ?? '';
                $text = self::plain("$programme->title $programme->summary $structures $school $programme->key");

                return array_filter($parts, static fn(string $part): bool => !str_contains($text, $part)) === [];
            }),
        );
    }

    /**
     * @param list<string> $parts
     *
     * @return list<int>|null the smaller the better; null where a part does not fit
     */
    private function rank(Exercise $exercise, array $parts): ?array
    {
        $directness = 3;
        $named = 0;
        $name = self::plain(implode(' ', [$exercise->title, ...$exercise->equipment]));
        foreach ($parts as $part) {
            // What is named so counts for more than what is also called so.
            $named += str_contains($name, $part)
                ? 2
                : (str_contains(self::plain(implode(' ', $exercise->alsoCalled)), $part)
                    ? 1
                    : 0);
            $fits = $this->fits($exercise, $part, $directness);
            if (!$fits) {
                return null;
            }
        }
        $demand = 0;
        foreach ($this->catalogue->ladderOf($exercise->key)->rungs ?? [] as $rung) {
            $demand = $rung->exercise === $exercise->key ? $rung->demand : $demand;
        }

        return [$directness, -$named, $demand];
    }

    private function fits(Exercise $exercise, string $part, int &$directness): bool
    {
        if (in_array($part, self::NO_EQUIPMENT, true)) {
            return $exercise->equipment === [];
        }
        if (isset(self::LIMBS[$part])) {
            return in_array($exercise->limbs, self::LIMBS[$part], true);
        }
        $stem = strlen($part) > 4 && str_ends_with($part, 's') ? substr($part, 0, -1) : $part;
        if (isset(self::MODES[$stem])) {
            return in_array($exercise->mode, self::MODES[$stem], true) ||
                str_contains(self::plain(implode(' ', $exercise->alsoCalled)), $stem);
        }
        $structure = $this->byStructure($exercise, $stem);
        if ($structure !== null) {
            $directness = min($directness, $structure);

            return true;
        }
        $ladder = $this->catalogue->ladderOf($exercise->key)->title ?? '';
        $text = self::plain(
            "$exercise->title $exercise->set_up $exercise->movement $ladder " .
                implode(' ', [...$exercise->equipment, ...$exercise->alsoCalled]),
        );

        return str_contains($text, $stem);
    }

    /** How directly it loads a structure whose name holds the word: 0 target, 1 shared; null where it does neither. */
    private function byStructure(Exercise $exercise, string $word): ?int
    {
        $best = null;
        foreach ($exercise->structures as $key => $directness) {
            $info = $this->catalogue->structures[$key] ?? null;
            if (
                $info !== null &&
                $directness !== Directness::Slight &&
                str_contains(self::plain($info->names()), $word)
            ) {
                $best = min($best ?? 1, $directness === Directness::Target ? 0 : 1);
            }
        }

        return $best;
    }

    /** @return list<string> */
    private static function parts(string $query): array
    {
        $parts = [];
        foreach (preg_split('/[,;]+/', self::plain($query)) ?: [] as $phrase) {
            $phrase = trim($phrase);
            foreach ([...self::NO_EQUIPMENT, ...array_keys(self::LIMBS)] as $known) {
                if (preg_match('/\b' . $known . '\b/', $phrase) === 1) {
                    $parts[] = $known;
                    $phrase = trim((string) preg_replace('/\b' . $known . '\b/', ' ', $phrase));
                }
            }
            array_push(
                $parts,
                ...array_values(
                    array_filter(preg_split('/\s+/', $phrase) ?: [], static fn(string $word): bool => $word !== ''),
                ),
            );
        }

        return $parts;
    }

    private static function plain(string $text): string
    {
        return mb_strtolower(strtr($text, ['_' => ' ']));
    }
}
