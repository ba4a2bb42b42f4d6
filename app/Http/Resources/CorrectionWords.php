<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\Correction;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Rung\Core\Number;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Says what was put right or struck out, by whom and why, and what it said before. */
final class CorrectionWords
{
    private const TITLES = [
        'session' => 'Session',
        'morning' => 'Morning',
        'test' => 'Test',
        'score' => 'Score',
        'note' => 'Note',
    ];

    /**
     * @return list<array{at: string, by: string, words: string, why: string|null, entry: string}> the latest of a case,
     *     newest first
     */
    public static function latest(CareCase $case, int $limit, bool $withNotes = true): array
    {
        $latest = Correction::query()
            ->where('case_id', $case->id)
            ->when(!$withNotes, static fn(Builder $query) => $query->where('what', '!=', 'note'))
            ->with('user')
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->limit($limit)
            ->get();

        return array_values(
            $latest
                ->map(static fn(Correction $correction): array => self::present($correction, $case->practice->timezone))
                ->all(),
        );
    }

    /** @return array{at: string, by: string, words: string, why: string|null, entry: string} */
    public static function present(Correction $correction, string $zone): array
    {
        $struck = match (true) {
            !$correction->withdrawn => '',
            $correction->why === null => 'withdrawn; ',
            default => 'struck out; ',
        };

        return [
            'at' => $correction->at->setTimezone($zone)->toIso8601String(),
            'by' => $correction->user->name,
            'words' =>
                (self::TITLES[$correction->what] ?? 'Entry') .
                self::day($correction, $zone) .
                ": $struck" .
                self::before($correction),
            'why' => $correction->why,
            'entry' => $correction->entry,
        ];
    }

    private static function day(Correction $correction, string $zone): string
    {
        $at = $correction->before['started_at'] ?? ($correction->before['at'] ?? ($correction->before['on'] ?? null));

        return is_string($at)
            ? ' of ' .
                    TimeWords::day(
                        Day::fromIso(
                            CarbonImmutable::parse($at)
                                ->setTimezone(strlen($at) === 10 ? 'UTC' : $zone)
                                ->format('Y-m-d'),
                        ),
                    )
            : '';
    }

    private static function before(Correction $correction): string
    {
        $before = $correction->before;
        $number = static fn(mixed $value): string => is_numeric($value) ? (string) Number::clean((float) $value) : '–';
        $entries = is_array($before['entries'] ?? null) ? $before['entries'] : [];
        $pains = array_filter(array_column($entries, 'pain'), is_int(...));

        return match ($correction->what) {
            'morning' => isset($before['provocation'])
                ? "the test was {$number($before['provocation'])} of 10" .
                    (isset($before['stiffness_min']) ? ", stiff for {$number($before['stiffness_min'])} min" : '')
                : 'without a score',
            'session' => $pains !== [] ? 'pain was ' . implode(', ', $pains) . ' of 10' : 'no pain was entered',
            'test' => "it was {$number($before['affected'] ?? null)} and {$number($before['unaffected'] ?? null)} " .
                (is_string($before['unit'] ?? null) ? $before['unit'] : ''),
            'score' => "it was {$number($before['score'] ?? null)}",
            default => is_string($before['reason'] ?? null) ? "it said “{$before['reason']}”" : '',
        };
    }
}
