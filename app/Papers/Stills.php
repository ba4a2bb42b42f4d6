<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper as Row;
use App\Support\CatalogueShelf;
use App\Support\FigureShelf;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Process;
use Rung\Core\Dose\Range;
use Rung\Core\Papers\BlockKind;
use Rung\Core\Papers\Paper;
use Rung\Core\Record\Side;

/**
 * The two ends of each exercise of a paper as pictures, drawn by the same engine as on the screen: a small program that is
 * made with the front end (web/figure/stills.ts). A paper without its pictures is still a paper: where they cannot be
 * drawn they are left out, and the log says so.
 */
final class Stills
{
    private const SECONDS = 20;

    private const KEPT_DAYS = 30;

    public function __construct(private readonly CatalogueShelf $catalogue, private readonly FigureShelf $figures) {}

    /** @return array<string, array{string, string}> addresses that hold the pictures themselves, by the last cell of an exercise's row */
    public function forRow(Row $row, Paper $paper): array
    {
        $catalogue = $this->catalogue->forPractice($row->case->practice_id);
        $asked = [];
        foreach ($paper->shown() as $block) {
            foreach ($block->kind === BlockKind::Exercises ? $block->rows : [] as $cells) {
                $wanted = explode(' ', $cells[6] ?? '');
                $range = isset($wanted[2]) ? new Range((float) $wanted[1], (float) $wanted[2]) : null;
                $figure = $this->figures->drawn($wanted[0], $catalogue, $range);
                if ($figure !== null) {
                    $asked[$cells[6]] = ['figure' => $figure, 'mirrored' => $row->case->side === Side::Left->value];
                }
            }
        }

        return $asked === [] ? [] : $this->drawn($asked);
    }

    /**
     * @param array<string, array{figure: array<string, mixed>, mirrored: bool}> $asked
     *
     * @return array<string, array{string, string}>
     */
    private function drawn(array $asked): array
    {
        $json = json_encode(array_values($asked), JSON_THROW_ON_ERROR);
        $pictures = Cache::remember(
            'stills.' . hash('xxh128', $json),
            now()->addDays(self::KEPT_DAYS),
            function () use ($json): ?array {
                $made = Process::timeout(self::SECONDS)
                    ->input($json)
                    ->run(['node', public_path('build/stills.mjs')]);
                $pictures = $made->successful() ? json_decode($made->output(), true) : null;
                if (!is_array($pictures)) {
                    Log::warning('The figures of a paper could not be drawn', [
                        'exit' => $made->exitCode(),
                        'said' => mb_substr($made->errorOutput(), 0, 300),
                    ]);

                    return null;
                }

                return $pictures;
            },
        );
        $stills = [];
        foreach (array_keys($asked) as $i => $key) {
            [$from, $to] = (is_array($pictures) && is_array($pictures[$i] ?? null)
                ? array_values($pictures[$i])
                : []) + ['', ''];
            if (is_string($from) && is_string($to) && $from !== '' && $to !== '') {
                $stills[$key] = [
                    'data:image/svg+xml;base64,' . base64_encode($from),
                    'data:image/svg+xml;base64,' . base64_encode($to),
                ];
            }
        }

        return $stills;
    }
}
