<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\Json;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\TodayWords;

/** What an athlete could do at first and can do now, for their own eyes. */
final class ThenAndNow
{
    /** @return list<array<string, mixed>> of each exercise of the whole case, its first and its latest session */
    public static function sessions(CareCase $case, Catalogue $catalogue): array
    {
        $exercises = self::exercisesByVersion($case);
        $found = [];
        foreach ($case->trainingSessions()->get()->all() as $row) {
            $on = $row->started_at->setTimezone($case->practice->timezone)->format('Y-m-d');
            foreach ($row->entries as $entry) {
                $exercise = $exercises[$row->plan_version][$entry['prescription'] ?? ''] ?? null;
                if ($exercise !== null && ($entry['sets'] ?? []) !== []) {
                    $found[$exercise] = [$found[$exercise][0] ?? [$on, $entry], [$on, $entry]];
                }
            }
        }
        $pairs = [];
        foreach ($found as $exercise => [$then, $now]) {
            if ($then[0] !== $now[0]) {
                $pairs[] = [
                    'title' => $catalogue->titleOf($exercise),
                    'then' => self::done(...$then),
                    'now' => self::done(...$now),
                ];
            }
        }

        return $pairs;
    }

    /**
     * @param array{prescription?: string|null, pain?: int|null, sets?: list<array<string, mixed>>} $entry
     *
     * @return array{on: string, words: string, pain: int|null}
     */
    private static function done(string $on, array $entry): array
    {
        $sets = array_map(
            static fn(array $set): LoggedSet => Json::read(
                json_encode((object) $set, JSON_THROW_ON_ERROR),
                LoggedSet::read(...),
            ),
            $entry['sets'] ?? [],
        );
        $best = TodayWords::bestSet($sets);

        return [
            'on' => $on,
            'words' =>
                count($sets) .
                ' × ' .
                DoseWords::set(new LoggedSet($best->reps, $best->hold_s, $best->work_s, $best->load_kg)),
            'pain' => $entry['pain'] ?? null,
        ];
    }

    /** @return array<int, array<string, string>> the exercise of each prescription, by version of the plan */
    private static function exercisesByVersion(CareCase $case): array
    {
        $exercises = [];
        foreach ($case->planVersions()->get()->all() as $version) {
            $plan = Plan::fromJson($version->content);
            $exercises[$version->version] = array_column(
                [...$plan->prescriptions(), ...$plan->leftOut],
                'exercise',
                'key',
            );
        }

        return $exercises;
    }

    /** @return list<string> what each exercise of the stage has gained since it began, in words */
    public static function gained(CareCase $case, Evaluation $evaluation, Catalogue $catalogue): array
    {
        $versions = [];
        foreach ($case->trainingSessions()->get()->all() as $row) {
            $versions[$row->id] = $row->plan_version;
        }
        $exercises = self::exercisesByVersion($case);
        $gained = [];
        foreach ($evaluation->log->stage->prescriptions as $prescription) {
            $words = TodayWords::gained(
                $evaluation,
                $prescription->key,
                $catalogue->titleOf($prescription->exercise),
                static fn(Session $session): ?string => $exercises[$versions[$session->id] ?? 0][$prescription->key] ??
                    null,
            );
            $gained = $words === null ? $gained : [...$gained, $words];
        }

        return $gained;
    }
}
