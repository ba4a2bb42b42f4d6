<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $on
 * @property string $stage
 * @property string $slot
 * @property int $number
 * @property bool $withdrawn no longer asked for
 * @property bool $dropped left out by a practitioner: it is withdrawn, and nothing comes in its place
 * @property bool $added put in once more by a practitioner: the plan does not ask for it
 * @property string|null $moved_from the day on which the plan asks for it, where a practitioner moved it
 * @property string|null $missed_why why it was not done, in the athlete's words
 */
final class PlannedSession extends CaseRecord
{
    protected $table = 'planned_sessions';
}
