<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Clock;
use Carbon\CarbonImmutable;
use Database\Factories\TrainingSessionFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\Record;
use Rung\Core\Record\Session;

/**
 * @property string|null $planned_id
 * @property int $plan_version
 * @property string $stage
 * @property string $kind
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable $ended_at
 * @property string|null $participation
 * @property float|null $minutes
 * @property int|null $effort
 * @property float|null $settled_min
 * @property list<string> $signs
 * @property list<array{prescription?: string|null, pain?: int|null, sets?: list<array<string, mixed>>}> $entries
 * @property string|null $notes
 * @property bool $after_close came in after the case was closed
 * @property bool $superseded another phone sent more of the same session
 * @property string|null $entered_by the practitioner who entered it for the athlete
 * @property CarbonImmutable $created_at
 */
final class TrainingSession extends CaseRecord
{
    /** @use HasFactory<TrainingSessionFactory> */
    use HasFactory;

    protected $table = 'training_sessions';

    /** @return array<string, mixed> what a session of the core is in this table, its place in a case left out */
    public static function fieldsOf(Session $session): array
    {
        return [
            'stage' => $session->stage,
            'kind' => $session->kind->value,
            'started_at' => Clock::utc($session->started_at),
            'ended_at' => Clock::utc($session->ended_at),
            'participation' => $session->participation?->value,
            'minutes' => $session->minutes,
            'effort' => $session->effort,
            'settled_min' => $session->settled_min,
            'signs' => array_column($session->signs ?? [], 'value'),
            'entries' => Record::each($session->entries),
            'notes' => $session->notes,
        ];
    }

    /**
     * What was done, with other pains of some exercises.
     *
     * @param list<array{prescription: string|null, pain: int}> $pains
     *
     * @return list<array<string, mixed>>
     *
     * @throws InvalidInput where one names no exercise of the session
     */
    public function withPains(array $pains): array
    {
        $entries = $this->entries;
        foreach ($pains as $i => $pain) {
            $found = array_filter(
                $entries,
                static fn(array $entry): bool => ($entry['prescription'] ?? null) === $pain['prescription'],
            );
            if ($found === []) {
                throw InvalidInput::at("/pains/$i/prescription", 'must name an exercise of that session');
            }
            $at = array_key_first($found);
            if (($entries[$at]['pain'] ?? null) === $pain['pain']) {
                continue;
            }
            $entries[$at]['pain'] = $pain['pain'];
            // The pain of single sets gives way to the pain of the whole exercise, entered now.
            $entries[$at]['sets'] = array_map(
                static fn(array $set): array => array_diff_key($set, ['pain' => 1]),
                $entries[$at]['sets'] ?? [],
            );
        }

        return $entries;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'started_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
            'minutes' => 'float',
            'settled_min' => 'float',
            'signs' => 'array',
            'entries' => 'array',
            'superseded' => 'boolean',
            'after_close' => 'boolean',
        ];
    }
}
