<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Care\CaseHistory;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\Curve;
use App\Models\Message;
use App\Models\Practice;
use App\Models\StrengthTest;
use App\Models\User;
use App\Support\Clock;

/** All that is kept of an athlete's cases, for the athlete to take away (docs/formats/own-data.md). */
final class OwnData
{
    public const FORMAT = 'rung-own-data/1';

    /**
     * @param list<CareCase> $cases open and closed
     *
     * @return array<string, mixed>
     */
    public static function present(Athlete $athlete, array $cases): array
    {
        $practice = Practice::query()->findOrFail($athlete->practice_id);

        return [
            'format' => self::FORMAT,
            'at' => Clock::now($practice->timezone)->toIso(),
            'practice' => $practice->name,
            'athlete' => [
                'name' => $athlete->name,
                'signs_in_as' => User::query()->where('athlete_id', $athlete->id)->first()?->email,
                'born_on' => $athlete->born_on,
            ],
            'cases' => array_map(self::caseOf(...), $cases),
        ];
    }

    /** @return list<array{measure: string, on: string, tries: array<string, mixed>}> of what was measured, the oldest first */
    private static function tries(CareCase $case): array
    {
        $cases = [];
        foreach ([...$case->tests()->get()->all(), ...$case->outcomes()->get()->all()] as $row) {
            if ($row->details !== null) {
                $cases[] = [
                    'measure' => $row instanceof StrengthTest ? $row->test : $row->measure,
                    'on' => $row->on,
                    'tries' => $row->details,
                ];
            }
        }

        return $cases;
    }

    /** @return array<string, mixed> */
    private static function caseOf(CareCase $case): array
    {
        $zone = $case->practice->timezone;

        return [
            'structure' => $case->structure_title,
            'side' => $case->side,
            'opened_on' => $case->opened_on,
            'closed_on' => $case->closed_on,
            'history' => $case->history,
            'intake' => array_intersect_key(
                $case->intake->toArray(),
                array_flip(['began_on', 'load_change', 'aggravating', 'occupation', 'medicines', 'risks']),
            ),
            'case_file' => CaseHistory::whole($case)->toArray(),
            'tries' => self::tries($case),
            'curves' => array_values(
                Curve::query()
                    ->where('case_id', $case->id)
                    ->orderBy('created_at')
                    ->get()
                    ->map(
                        static fn(Curve $curve): array => [
                            'id' => $curve->id,
                            'measure' => $curve->measure,
                            'side' => $curve->side,
                            'on' => $curve->on,
                            'figures' => (object) $curve->figures,
                        ] + $curve->unpacked(),
                    )
                    ->all(),
            ),
            'messages' => array_values(
                $case
                    ->messages()
                    ->with('user')
                    ->get()
                    ->map(
                        static fn(Message $message): array => [
                            'at' => $message->at->setTimezone($zone)->toIso8601String(),
                            'by' => $message->user->name,
                            'kind' => $message->kind->value,
                            'words' => $message->words,
                            'pain' => $message->pain,
                        ],
                    )
                    ->all(),
            ),
        ];
    }
}
