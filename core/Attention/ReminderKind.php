<?php

declare(strict_types=1);

namespace Rung\Core\Attention;

/** What a phone is reminded of. */
enum ReminderKind: string
{
    case Morning = 'morning';
    case Session = 'session';
    case Message = 'message';

    /** As it stands on a locked screen, where anybody may read it: nothing of what is treated, and nothing of what was written. */
    public function words(string $practice): string
    {
        return match ($this) {
            self::Morning => 'Your morning answer is still open.',
            self::Session => 'Today’s session is still open. If it does not fit today, the phone offers another day.',
            self::Message => "$practice wrote to you.",
        };
    }
}
