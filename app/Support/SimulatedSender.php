<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Message;
use Carbon\CarbonImmutable;

/** The sender that ships with Rung: nothing leaves the machine, the message stands in the outbox and on the athlete's phone page. */
final class SimulatedSender implements MessageSender
{
    public function send(Message $message): void
    {
        $message->forceFill(['sent_at' => CarbonImmutable::now()->utc()])->save();
    }
}
