<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\User;
use App\Support\MessageSender;
use Carbon\CarbonImmutable;

/** Writes to an athlete: the message is stored, then handed to whoever carries it. */
final class WriteMessage
{
    public function __construct(private readonly MessageSender $sender) {}

    public function handle(CareCase $case, User $by, MessageKind $kind, string $words): Message
    {
        $message = Message::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'user_id' => $by->id,
            'kind' => $kind,
            'words' => $words,
            'at' => CarbonImmutable::now()->utc(),
        ]);
        $this->sender->send($message);

        return $message;
    }
}
