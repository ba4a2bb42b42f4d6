<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\User;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;

/** An athlete asks something or reports a flare between sessions; it stays on the Round until somebody has answered. */
final class WriteToPractitioner
{
    private const MOST_A_DAY = 20;

    public function __construct(private readonly WriteCase $write) {}

    /**
     * @param string $id made by the phone, so that sending twice stores once
     *
     * @return bool whether it is new
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, string $id, MessageKind $kind, string $words, ?int $pain): bool
    {
        if (!in_array($kind, [MessageKind::Question, MessageKind::Flare], true)) {
            throw InvalidInput::at('/kind', 'must be question or flare');
        }
        if (trim($words) === '' && $pain === null) {
            throw InvalidInput::at('/words', 'must say something');
        }

        return $this->write->run(
            $case,
            $by,
            $kind === MessageKind::Flare ? 'reported a flare' : 'asked something',
            static function (CareCase $case) use ($by, $id, $kind, $words, $pain): bool {
                if (Message::isStored($case, $id)) {
                    return false;
                }
                self::checkCount($case, $by);
                $now = CarbonImmutable::now()->utc();
                Message::query()->create([
                    'id' => $id,
                    'practice_id' => $case->practice_id,
                    'case_id' => $case->id,
                    'user_id' => $by->id,
                    'kind' => $kind,
                    'words' => trim($words),
                    'pain' => $pain,
                    'at' => $now,
                    'sent_at' => $now,
                ]);
                $case->forceFill(['asked_at' => $case->asked_at ?? $now])->save();

                return true;
            },
        );
    }

    /** @throws InvalidInput where somebody has written so much in a day that it is better said */
    public static function checkCount(CareCase $case, User $by): void
    {
        if (
            $case
                ->messages()
                ->where('user_id', $by->id)
                ->where('at', '>', CarbonImmutable::now()->subDay())
                ->count() >= self::MOST_A_DAY
        ) {
            throw InvalidInput::at('/words', 'are more than ' . self::MOST_A_DAY . ' in a day; call instead');
        }
    }
}
