<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $stage
 * @property string $on
 */
final class SignOff extends CaseRecord
{
    protected $table = 'sign_offs';
}
