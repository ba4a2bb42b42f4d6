<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Correction;
use Carbon\CarbonImmutable;
use Rung\Core\Number;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Says what was put right or struck out, by whom and why, and what it said before. */
final class CorrectionWords
{
    private const TITLES = ['session' => 'Session', 'morning' => 'Morning', 'test' => 'Test', 'score' => 'Score', 'note' => 'Note'];

    /** @return array{at: string, by: string, words: string, why: string|null, entry: string} */
    public static function of(Correction $one, string $zone): array
    {
        $struck = match (true) {
            !$one->withdrawn => '',
            $one->why === null => 'withdrawn; ',
            default => 'struck out; ',
        };

        return [
            'at' => $one->at->setTimezone($zone)->toIso8601String(),
            'by' => $one->user->name,
            'words' => (self::TITLES[$one->what] ?? 'Entry') . self::day($one, $zone) . ": $struck" . self::before($one),
            'why' => $one->why,
            'entry' => $one->entry,
        ];
    }

    private static function day(Correction $one, string $zone): string
    {
        $at = $one->before['started_at'] ?? $one->before['at'] ?? $one->before['on'] ?? null;

        return is_string($at) ? ' of ' . TimeWords::day(Day::fromIso(CarbonImmutable::parse($at)->setTimezone(strlen($at) === 10 ? 'UTC' : $zone)->format('Y-m-d'))) : '';
    }

    private static function before(Correction $one): string
    {
        $before = $one->before;
        $number = static fn(mixed $value): string => is_numeric($value) ? (string) Number::clean((float) $value) : '–';
        $entries = is_array($before['entries'] ?? null) ? $before['entries'] : [];
        $pains = array_filter(array_column($entries, 'pain'), is_int(...));

        return match ($one->what) {
            'morning' => isset($before['provocation']) ? "the test was {$number($before['provocation'])} of 10" . (isset($before['stiffness_min']) ? ", stiff for {$number($before['stiffness_min'])} min" : '') : 'without a score',
            'session' => $pains !== [] ? 'pain was ' . implode(', ', $pains) . ' of 10' : 'without pain told',
            'test' => "it was {$number($before['affected'] ?? null)} and {$number($before['unaffected'] ?? null)} " . (is_string($before['unit'] ?? null) ? $before['unit'] : ''),
            'score' => "it was {$number($before['score'] ?? null)}",
            default => is_string($before['reason'] ?? null) ? "it said “{$before['reason']}”" : '',
        };
    }
}
