<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\Cache;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Range;
use Rung\Core\Figure\FigureBook;
use Rung\Core\Figure\FigureFolder;

/** The figures that ship with Rung, ready to be drawn. */
final class FigureShelf
{
    private const READ_BY = 'Figure,Dose,Exercise';

    private const KEPT_DAYS = 30;

    private ?FigureBook $book = null;

    private ?string $version = null;

    /** @param string $keep file in which they are kept once read */
    public function __construct(private readonly string $folder, private readonly string $keep) {}

    /** Another text whenever a figure, or how figures are worked out, is another. */
    public function version(): string
    {
        return $this->version ??= KeptReading::fingerprint(FigureFolder::paths($this->folder), self::READ_BY);
    }

    /**
     * What is needed to draw an exercise, as far as its range goes; null where the exercise or its figure is not there.
     *
     * @return array<string, mixed>|null a Figure of docs/formats/api.yaml
     */
    public function drawn(string $exercise, Catalogue $catalogue, ?Range $range): ?array
    {
        $known = $catalogue->exercises[$exercise] ?? null;
        if ($known === null) {
            return null;
        }
        // Working one out takes as long as evaluating a case: it is done once. What of the exercise is drawn is part of the key.
        $key = [
            $this->version(),
            $known->key,
            $known->mode,
            $known->limbs,
            $known->structures,
            $known->dose->tempo?->starts,
            $range?->toArray(),
        ];

        return Cache::remember(
            'figure.' . hash('xxh128', json_encode($key, JSON_THROW_ON_ERROR)),
            now()->addDays(self::KEPT_DAYS),
            fn(): ?array => $this->book()->find($exercise)?->drawn($known, $range),
        );
    }

    /**
     * The same with a single frame: the one that shows the exercise best.
     *
     * @return array<string, mixed>|null a Figure of docs/formats/api.yaml
     */
    public function still(string $exercise, Catalogue $catalogue): ?array
    {
        $drawn = $this->drawn($exercise, $catalogue, null);
        if ($drawn === null || !is_array($drawn['frames']) || !is_float($drawn['still'])) {
            return null;
        }

        return [
            'frames' => [$drawn['frames'][(int) round($drawn['still'] * (count($drawn['frames']) - 1))]],
            'lift' => null,
        ] + $drawn;
    }

    private function book(): FigureBook
    {
        return $this->book ??= KeptReading::read(
            FigureFolder::paths($this->folder),
            self::READ_BY,
            $this->keep,
            FigureBook::class,
            fn(): FigureBook => FigureFolder::read($this->folder),
        );
    }
}
