<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Message;

/** Carries a message to an athlete. A real one (mail, text message) takes the place of the stand-in in AppServiceProvider. */
interface MessageSender
{
    /** Hands a stored message over; it is marked as sent by whoever carries it. */
    public function send(Message $message): void;
}
