<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\User;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;

/** Reminds an athlete who has gone silent, at most once a day. */
final class NudgeAthlete
{
    private const LONGEST = 600;

    private const HOURS_APART = 20;

    public function __construct(private readonly WriteCase $write, private readonly WriteMessage $message) {}

    /**
     * @param string|null $words null: the usual ones
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, ?string $words): Message
    {
        $words = trim($words ?? '') === '' ? self::words($case) : trim((string) $words);
        if (mb_strlen($words) > self::LONGEST) {
            throw InvalidInput::at('/words', 'must not be longer than ' . self::LONGEST . ' letters');
        }

        return $this->write->run($case, $by, 'nudged the athlete', function (CareCase $case) use ($by, $words): Message {
            if ($case->closed_on !== null) {
                throw InvalidInput::at('/words', 'cannot be sent: this case is closed');
            }
            if ($case->nudged_at !== null && $case->nudged_at->isAfter(CarbonImmutable::now()->subHours(self::HOURS_APART))) {
                throw InvalidInput::at('/words', 'were sent today already; give it a day');
            }
            $case->forceFill(['nudged_at' => CarbonImmutable::now()->utc()])->save();

            return $this->message->handle($case, $by, MessageKind::Nudge, $words);
        });
    }

    public static function words(CareCase $case): string
    {
        $name = explode(' ', $case->athlete->name)[0];
        $test = mb_strtolower($case->provocation_test['title']);

        return "Hello $name, nothing has reached us for a few days. One answer tomorrow morning ($test, 0 to 10) is enough to keep your plan right. If something is in the way, tell us.";
    }
}
