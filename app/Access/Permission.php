<?php

declare(strict_types=1);

namespace App\Access;

/** What can be allowed. Every route names the one that it asks for; which role has which stands in App\Models\Role. */
enum Permission: string
{
    case See = 'see';
    case Enter = 'enter';
    case Decide = 'decide';
    case TakeOut = 'take-out';
    case Manage = 'manage';
    case Train = 'train';

    public function words(): string
    {
        return match ($this) {
            self::See => 'Look at cases, plans, measures, papers and the library',
            self::Enter
                => 'Enter measures, sessions on paper and mornings reported by telephone, and put entries right',
            self::Decide
                => 'Open and close cases, prescribe, decide, sign papers, answer and invite athletes, change the library',
            self::TakeOut => 'Take records out as tables and files',
            self::Manage
                => 'Look after people, settings, tokens and the record of who saw what; export or erase all data of an athlete',
            self::Train => 'See the own plan and record on the phone, and enter what was done',
        };
    }
}
