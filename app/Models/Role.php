<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Permission;

/** What a person is in a practice. What each may do stands in one table. */
enum Role: string
{
    case Owner = 'owner';
    case Practitioner = 'practitioner';
    case Assistant = 'assistant';
    case Reader = 'reader';
    case Athlete = 'athlete';

    /** The roles of those who work in a practice. */
    public const STAFF = [self::Owner, self::Practitioner, self::Assistant, self::Reader];

    /** @return list<Permission> */
    public function permissions(): array
    {
        return match ($this) {
            self::Owner => [
                Permission::See,
                Permission::Enter,
                Permission::Decide,
                Permission::TakeOut,
                Permission::Manage,
            ],
            self::Practitioner => [Permission::See, Permission::Enter, Permission::Decide, Permission::TakeOut],
            self::Assistant => [Permission::See, Permission::Enter],
            self::Reader => [Permission::See],
            self::Athlete => [Permission::Train],
        };
    }

    public function may(Permission $permission): bool
    {
        return in_array($permission, $this->permissions(), true);
    }

    /** Whether cases can be theirs. */
    public function treats(): bool
    {
        return $this->may(Permission::Decide);
    }

    public function isStaff(): bool
    {
        return $this !== self::Athlete;
    }

    public function title(): string
    {
        return match ($this) {
            self::Owner => 'Owner',
            self::Practitioner => 'Practitioner',
            self::Assistant => 'Assistant',
            self::Reader => 'Reader',
            self::Athlete => 'Athlete',
        };
    }

    /** What the role is for, in the words of the invitation. */
    public function words(): string
    {
        return match ($this) {
            self::Owner => 'Treats, and looks after people, settings and the record of who saw what.',
            self::Practitioner => 'Treats: opens cases, prescribes and decides.',
            self::Assistant
                => 'Enters measures, sheets and what athletes report by telephone, in the cases assigned to them. Decides nothing.',
            self::Reader => 'Looks, and writes nothing.',
            self::Athlete => 'Trains, and answers on the phone.',
        };
    }
}
