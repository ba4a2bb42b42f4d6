<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\PushPhone;
use App\Models\User;
use App\Push\PushReminder;
use App\Support\MessageSender;
use Carbon\CarbonImmutable;
use Rung\Core\Attention\ReminderKind;

/** Writes to an athlete: the message is stored, then handed to whoever carries it. */
final class WriteMessage
{
    public function __construct(private readonly MessageSender $sender, private readonly PushReminder $push) {}

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
        if ($by->athlete_id !== $case->athlete_id) {
            foreach (
                PushPhone::query()
                    ->with('user.practice')
                    ->where('messages', true)
                    ->whereRelation('user', 'athlete_id', $case->athlete_id)
                    ->get()
                as $phone
            ) {
                $this->push->handle($phone, ReminderKind::Message, $message->id);
            }
        }

        return $message;
    }
}
