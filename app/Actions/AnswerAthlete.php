<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\User;
use Carbon\CarbonImmutable;

/** Answers what an athlete asked or told, or marks it as seen; it leaves the Round. */
final class AnswerAthlete
{
    public function __construct(private readonly WriteCase $write, private readonly WriteMessage $message) {}

    /** @param string $words empty: seen, and answered otherwise */
    public function handle(CareCase $case, User $by, string $words): void
    {
        $words = trim($words);
        $this->write->run($case, $by, $words === '' ? 'marked a message as seen' : 'answered the athlete', function (CareCase $case) use ($by, $words): bool {
            Message::query()->where('case_id', $case->id)->whereNull('seen_at')->whereIn('kind', [MessageKind::Question, MessageKind::Flare])->update(['seen_at' => CarbonImmutable::now()->utc()]);
            $case->forceFill(['asked_at' => null])->save();
            if ($words !== '') {
                $this->message->handle($case, $by, MessageKind::Answer, $words);
            }

            return true;
        });
    }
}
