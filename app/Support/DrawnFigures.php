<?php

declare(strict_types=1);

namespace App\Support;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Range;

/** The figures that a page needs, each once: whoever shows an exercise is given the key under which its figure stands. */
final class DrawnFigures
{
    /** @var array<string, array<string, mixed>> by key */
    private array $drawn = [];

    public function __construct(private readonly FigureShelf $shelf, private readonly Catalogue $catalogue) {}

    /** The key of an exercise's figure, drawn as far as the range goes; null where it has none. */
    public function keyOf(string $exercise, ?Range $range = null): ?string
    {
        $key = $range === null ? $exercise : "$exercise {$range->from_deg}–{$range->to_deg}";
        if (!isset($this->drawn[$key])) {
            $figure = $this->shelf->drawn($exercise, $this->catalogue, $range);
            if ($figure === null) {
                return null;
            }
            $this->drawn[$key] = $figure;
        }

        return $key;
    }

    /** @return array<string, array<string, mixed>> by key */
    public function all(): array
    {
        return $this->drawn;
    }
}
