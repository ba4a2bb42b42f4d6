<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\AccessKind;
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
        self::write($user, AccessKind::Change, $case->athlete_id, $what, [$case->id]);
    }

    public static function read(User $user, CareCase $case, string $what): void
    {
        self::readMany($user, $what, [$case->id], $case->athlete_id);
    }

    /**
     * Records leave as a file or table; each time is written down.
     *
     * @param list<string> $cases ids
     */
    public static function exported(User $user, string $what, array $cases, ?string $athleteId = null): void
    {
        self::write($user, AccessKind::Export, $athleteId, $what, $cases);
    }

    /**
     * What concerns no case: people, settings, the library, signing in.
     *
     * @param array<string, mixed>|null $details what it was and what it is
     */
    public static function note(
        User $user,
        AccessKind $kind,
        string $what,
        ?array $details = null,
        ?string $athleteId = null,
    ): void {
        self::write($user, $kind, $athleteId, $what, [], $details);
    }

    /** Something was asked for that the person's role does not allow. A page that asks again and again is one line, as with reading. */
    public static function refused(User $user, string $what): void
    {
        app(CurrentPractice::class)->during($user->practice_id, static function () use ($user, $what): void {
            if (self::latest($user, self::by($user, "was refused: $what")) === null) {
                self::write($user, AccessKind::Refused, null, "was refused: $what", []);
            }
        });
    }

    /**
     * A page is asked for every few seconds. Where somebody is signed in, what was written down is remembered with the
     * sign-in, so that the log is not searched each time.
     *
     * @param list<string> $cases ids
     */
    public static function readMany(User $user, string $what, array $cases, ?string $athleteId = null): void
    {
        $said = self::by($user, $what);
        $session = request()->hasSession() && self::token($user) === null ? request()->session() : null;
        $key = "read: $said";
        $before = $session === null ? self::latest($user, $said) : self::remembered($session, $key);
        $new = array_values(array_diff($cases, $before['cases'] ?? []));
        if ($new === []) {
            return;
        }
        self::write($user, AccessKind::Read, $athleteId, $what, $new);
        $session?->put($key, [
            'at' => $before['at'] ?? CarbonImmutable::now()->getTimestamp(),
            'cases' => [...$before['cases'] ?? [], ...$new],
        ]);
    }

    /** What another system reads is recorded apart from what its owner does. */
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
        if (
            !is_array($before) ||
            !is_int($before['at'] ?? null) ||
            !is_array($before['cases'] ?? null) ||
            $before['at'] <= CarbonImmutable::now()->getTimestamp() - 60 * self::SAME_READING_MINUTES
        ) {
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

    /**
     * @param list<string> $cases
     * @param array<string, mixed>|null $details
     */
    private static function write(
        User $user,
        AccessKind $kind,
        ?string $athleteId,
        string $what,
        array $cases,
        ?array $details = null,
    ): void {
        AccessLogEntry::query()->create([
            'practice_id' => $user->practice_id,
            'user_id' => $user->id,
            'athlete_id' => $athleteId,
            'kind' => $kind,
            'what' => self::by($user, $what),
            'cases' => $cases,
            'details' => $details,
            'at' => CarbonImmutable::now()->utc(),
        ]);
    }
}
