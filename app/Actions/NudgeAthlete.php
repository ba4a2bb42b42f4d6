<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Consent;
use App\Models\ConsentPurpose;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** Reminds an athlete who has gone silent, at most once a day. */
final class NudgeAthlete
{
    private const LONGEST = 600;

    private const HOURS_APART = 20;

    /** Days without an answer after which an athlete counts as silent. */
    private const SILENT_DAYS = 3;

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

        return $this->write->run($case, $by, 'nudged the athlete', function (CareCase $case) use (
            $by,
            $words,
        ): Message {
            if ($case->closed_on !== null) {
                throw InvalidInput::at('/words', 'cannot be sent: this case is closed');
            }
            if (Consent::isRefused($case->athlete_id, ConsentPurpose::Messages)) {
                throw InvalidInput::at(
                    '/words',
                    'cannot be sent: the athlete does not agree to reminders. Call instead',
                );
            }
            if (
                $case->nudged_at !== null &&
                $case->nudged_at->isAfter(CarbonImmutable::now()->subHours(self::HOURS_APART))
            ) {
                throw InvalidInput::at('/words', 'were sent today already; give it a day');
            }
            $case->forceFill(['nudged_at' => CarbonImmutable::now()->utc()])->save();

            return $this->message->handle($case, $by, MessageKind::Nudge, $words);
        });
    }

    /** A draft that fits what happened: no answers, sessions that were not done, or neither. */
    public static function words(CareCase $case): string
    {
        $name = explode(' ', $case->athlete->name)[0];
        $test = mb_strtolower($case->provocation_test['title']);
        $today = Clock::today($case->practice->timezone);
        $answered = $case
            ->checkIns()
            ->whereNotNull('provocation')
            ->reorder('at', 'desc')
            ->first()
            ?->at->setTimezone($case->practice->timezone)
            ->format('Y-m-d');
        $silent = $answered === null ? null : $today->daysSince(Day::fromIso($answered));
        $own = $case->practice->nudge_words;
        if ($own !== null && ($silent === null || $silent >= self::SILENT_DAYS)) {
            return str_replace('{name}', $name, $own);
        }
        $ask = "One answer tomorrow morning ($test, 0 to 10) is enough to keep your plan right. If something is in the way, tell us.";

        return match (true) {
            $silent === null => "Hello $name, your plan is ready, and no morning answer has reached us yet. $ask",
            $silent >= self::SILENT_DAYS => "Hello $name, no morning answer has reached us for $silent days. $ask",
            self::missed($case, $today) >= 2
                => "Hello $name, your mornings reach us, thank you. The last two sessions do not: were they done? If so, enter them; if not, tell us what was in the way, and we make the plan fit.",
            default
                => "Hello $name, how is it going? Your mornings and sessions reach us. If anything is unclear, or in the way, tell us.",
        };
    }

    /** How many of the latest two sessions that were planned before today were not done. */
    private static function missed(CareCase $case, Day $today): int
    {
        $latest = $case
            ->plannedSessions()
            ->where('on', '<', $today->toIso())
            ->where('withdrawn', false)
            ->reorder('on', 'desc')
            ->limit(2)
            ->pluck('id')
            ->all();

        return count($latest) -
            $case->trainingSessions()->whereIn('planned_id', $latest)->distinct()->count('planned_id');
    }
}
