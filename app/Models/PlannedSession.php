<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $on
 * @property string $stage
 * @property string $slot
 * @property int $number
 * @property bool $withdrawn no longer asked for
 */
final class PlannedSession extends CaseRecord
{
    protected $table = 'planned_sessions';
}
