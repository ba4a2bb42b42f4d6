<?php

declare(strict_types=1);

namespace App\Models;

/** What an athlete may agree to, each by itself. Treating and keeping the record that the law asks for need no consent. */
enum ConsentPurpose: string
{
    case Messages = 'messages';
    case Coach = 'coach';
    case Referrer = 'referrer';
    case Teaching = 'teaching';

    public function title(): string
    {
        return match ($this) {
            self::Messages => 'Reminders where mornings or sessions are missing',
            self::Coach => 'Telling the coach what training is allowed',
            self::Referrer => 'Letters to whoever referred',
            self::Teaching => 'Teaching and quality work, without the name',
        };
    }
}
