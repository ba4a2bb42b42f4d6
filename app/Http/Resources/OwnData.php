<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Care\CaseHistory;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\Message;
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
    public static function of(User $person, array $cases): array
    {
        return [
            'format' => self::FORMAT,
            'at' => Clock::now($person->practice->timezone)->toIso(),
            'practice' => $person->practice->name,
            'athlete' => ['name' => $person->name, 'signs_in_as' => $person->email, 'born_on' => Athlete::query()->whereKey($person->athlete_id)->value('born_on')],
            'cases' => array_map(self::caseOf(...), $cases),
        ];
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
            'intake' => array_intersect_key($case->intake, array_flip(['began_on', 'load_change', 'aggravating', 'occupation', 'medicines', 'risks'])),
            'case_file' => CaseHistory::whole($case)->toArray(),
            'messages' => array_values($case->messages()->with('user')->get()->map(static fn(Message $one): array => [
                'at' => $one->at->setTimezone($zone)->toIso8601String(), 'by' => $one->user->name, 'kind' => $one->kind->value, 'words' => $one->words, 'pain' => $one->pain,
            ])->all()),
        ];
    }
}
