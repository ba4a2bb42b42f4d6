<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Clock;
use Carbon\CarbonImmutable;
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
 * @property CarbonImmutable $created_at
 */
final class TrainingSession extends CaseRecord
{
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

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['started_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime', 'minutes' => 'float', 'settled_min' => 'float', 'signs' => 'array', 'entries' => 'array', 'superseded' => 'boolean', 'after_close' => 'boolean'];
    }
}
