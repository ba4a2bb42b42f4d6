<?php

declare(strict_types=1);

namespace App\Models;

/** What a line in the record of access is about. */
enum AccessKind: string
{
    case Read = 'read';
    case Change = 'change';
    case Export = 'export';
    case SignIn = 'sign_in';
    case Refused = 'refused';
    case People = 'people';
    case Settings = 'settings';
    case Library = 'library';

    public function title(): string
    {
        return match ($this) {
            self::Read => 'Looked',
            self::Change => 'Changed',
            self::Export => 'Took out',
            self::SignIn => 'Signed in or out',
            self::Refused => 'Refused',
            self::People => 'People and permissions',
            self::Settings => 'Settings',
            self::Library => 'Library',
        };
    }
}
