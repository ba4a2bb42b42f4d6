<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Rung\Core\Input\InvalidInput;

/** Writes to an athlete: an answer, or a message of the practitioner's own. What is answered or marked as seen leaves the Round. */
final class AnswerAthlete
{
    public function __construct(private readonly WriteCase $write, private readonly WriteMessage $message) {}

    /**
     * @param string $words empty: seen, and answered otherwise
     * @param list<string>|null $seen ids of what was on the screen; what came in meanwhile still waits. Null: all of it
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, string $words, ?array $seen = null): void
    {
        $words = trim($words);
        $this->write->run($case, $by, $words === '' ? 'marked a message as seen' : 'wrote to the athlete', function (
            CareCase $case,
        ) use ($by, $words, $seen): bool {
            $waiting = static fn(): Builder => Message::query()
                ->where('case_id', $case->id)
                ->whereNull('seen_at')
                ->whereIn('kind', [MessageKind::Question, MessageKind::Flare]);
            $marked = ($seen === null ? $waiting() : $waiting()->whereIn('id', $seen))->update([
                'seen_at' => CarbonImmutable::now()->utc(),
            ]);
            if ($marked === 0 && $words === '') {
                throw InvalidInput::at('/words', 'must say something: nothing waits for an answer');
            }
            $case->forceFill(['asked_at' => $waiting()->min('at')])->save();
            if ($words !== '') {
                $this->message->handle($case, $by, $marked > 0 ? MessageKind::Answer : MessageKind::Message, $words);
            }

            return true;
        });
    }
}
