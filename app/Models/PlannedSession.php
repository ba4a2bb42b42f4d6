<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $on
 * @property string $stage
 * @property string $slot
 * @property int $number
 */
final class PlannedSession extends CaseRecord
{
    protected $table = 'planned_sessions';
}
