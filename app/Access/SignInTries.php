<?php

declare(strict_types=1);

namespace App\Access;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Tries at signing in, counted before they are checked, so that many at once pass no limit. After the free tries each
 * one more has to wait, twice as long as the last, a quarter of an hour at most: nobody is shut out for a day because
 * somebody else knows their address. An hour without a try starts over.
 */
final class SignInTries
{
    /** Tries before the first wait, for one account from one place. */
    public const FREE = 5;

    /** The same for one place, whatever the account: a clinic shares one. */
    public const FREE_OF_A_PLACE = 30;

    /** The same for one account from anywhere but the devices that signed in to it before. */
    public const FREE_OF_AN_ACCOUNT = 20;

    private const FIRST_WAIT_S = 30;

    private const LONGEST_WAIT_S = 900;

    private const FORGOTTEN_AFTER_S = 3600;

    /**
     * Counts a try.
     *
     * @return int seconds to wait before it may be made; 0 where it may be made now
     */
    public static function count(string $key, int $free): int
    {
        $now = CarbonImmutable::now()->utc();
        $again =
            'case when t.last_at < excluded.last_at - interval \'1 second\' * :forgotten%d then 1 else t.tries + 1 end';
        [$first, $second, $third] = array_map(static fn(int $n): string => sprintf($again, $n), [1, 2, 3]);
        $row = DB::selectOne(
            <<<SQL
            insert into sign_in_tries as t (key, tries, refused, last_at) values (:key, 1, false, :now)
            on conflict (key) do update set
                refused = coalesce(t.blocked_until > excluded.last_at, false),
                tries = case when t.blocked_until > excluded.last_at then t.tries else $first end,
                blocked_until = case
                    when t.blocked_until > excluded.last_at then t.blocked_until
                    when $second >= :free
                        then excluded.last_at + interval '1 second' * least(:longest, :first * power(2, least($third - :free2, 20)))
                    else null end,
                last_at = case when t.blocked_until > excluded.last_at then t.last_at else excluded.last_at end
            returning refused, blocked_until
            SQL
            ,
            [
                'key' => self::hash($key),
                'now' => $now->format('Y-m-d H:i:s.uP'),
                'free' => $free,
                'free2' => $free,
                'first' => self::FIRST_WAIT_S,
                'longest' => self::LONGEST_WAIT_S,
                'forgotten1' => self::FORGOTTEN_AFTER_S,
                'forgotten2' => self::FORGOTTEN_AFTER_S,
                'forgotten3' => self::FORGOTTEN_AFTER_S,
            ],
            false,
        );
        if (!($row instanceof stdClass) || $row->refused !== true || !is_string($row->blocked_until)) {
            return 0;
        }

        return max(1, (int) ceil($now->diffInSeconds(CarbonImmutable::parse($row->blocked_until))));
    }

    public static function clear(string ...$keys): void
    {
        DB::table('sign_in_tries')->whereIn('key', array_map(self::hash(...), $keys))->delete();
    }

    public static function forgetOld(): int
    {
        return DB::table('sign_in_tries')
            ->where('last_at', '<', CarbonImmutable::now()->utc()->subDay())
            ->delete();
    }

    private static function hash(string $key): string
    {
        return hash('sha256', $key);
    }
}
