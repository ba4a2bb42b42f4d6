<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Role;

/** Who is to be invited to work in a practice. */
final readonly class StaffEntry
{
    public function __construct(public string $name, public string $email, public Role $role) {}
}
