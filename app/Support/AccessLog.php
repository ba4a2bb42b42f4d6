<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\AccessLogEntry;
use App\Models\ApiToken;
use App\Models\CareCase;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Session\Session;

/** Records that a person read or changed athletes' records. */
final class AccessLog
{
    /** A screen that refreshes itself is one reading, not one every few seconds. */
    private const SAME_READING_MINUTES = 10;

    public static function changed(User $user, CareCase $case, string $what): void
    {
        self::write($user, $case->athlete_id, self::by($user, $what), [$case->id]);
    }

    public static function read(User $user, CareCase $case, string $what): void
    {
        self::readMany($user, $what, [$case->id], $case->athlete_id);
    }

    /** What concerns athletes and no case yet. */
    public static function note(User $user, string $what): void
    {
        self::write($user, null, self::by($user, $what), []);
    }

    /**
     * A page is asked for every few seconds. Where somebody is signed in, what was written down is remembered with the
     * sign-in, so that the log is not searched each time.
     *
     * @param list<string> $cases ids
     */
    public static function readMany(User $user, string $what, array $cases, ?string $athleteId = null): void
    {
        $what = self::by($user, $what);
        $session = request()->hasSession() && self::token($user) === null ? request()->session() : null;
        $key = "read: $what";
        $before = $session === null ? self::latest($user, $what) : self::remembered($session, $key);
        $new = array_values(array_diff($cases, $before['cases'] ?? []));
        if ($new === []) {
            return;
        }
        self::write($user, $athleteId, $what, $new);
        $session?->put($key, ['at' => $before['at'] ?? CarbonImmutable::now()->getTimestamp(), 'cases' => [...$before['cases'] ?? [], ...$new]]);
    }

    /** What another system reads is told apart from what its owner does. */
    private static function by(User $user, string $what): string
    {
        $token = self::token($user);

        return $token === null ? $what : "$what (by the token “{$token->name}”)";
    }

    private static function token(User $user): ?ApiToken
    {
        $token = $user->currentAccessToken();

        return $token instanceof ApiToken ? $token : null;
    }

    /** @return array{at: int, cases: list<string>}|null */
    private static function remembered(Session $session, string $key): ?array
    {
        $before = $session->get($key);
        if (!is_array($before) || !is_int($before['at'] ?? null) || !is_array($before['cases'] ?? null) || $before['at'] <= CarbonImmutable::now()->getTimestamp() - 60 * self::SAME_READING_MINUTES) {
            return null;
        }

        return ['at' => $before['at'], 'cases' => array_values(array_filter($before['cases'], is_string(...)))];
    }

    /** @return array{at: int, cases: list<string>}|null */
    private static function latest(User $user, string $what): ?array
    {
        $latest = AccessLogEntry::query()
            ->where('user_id', $user->id)
            ->where('what', $what)
            ->where('at', '>', CarbonImmutable::now()->utc()->subMinutes(self::SAME_READING_MINUTES))
            ->orderByDesc('at')
            ->first();

        return $latest === null ? null : ['at' => $latest->at->getTimestamp(), 'cases' => $latest->cases];
    }

    /** @param list<string> $cases */
    private static function write(User $user, ?string $athleteId, string $what, array $cases): void
    {
        AccessLogEntry::query()->create([
            'practice_id' => $user->practice_id,
            'user_id' => $user->id,
            'athlete_id' => $athleteId,
            'what' => $what,
            'cases' => $cases,
            'at' => CarbonImmutable::now()->utc(),
        ]);
    }
}
