<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $stage
 * @property string $from
 */
final class StageEntry extends CaseRecord
{
    protected $table = 'stage_entries';
}
