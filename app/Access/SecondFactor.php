<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Account;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/**
 * The second factor of an account: a code that an app on a phone makes, or one of ten recovery codes that were written
 * down. Accounts belong to no practice, so each of these works across practices.
 */
final class SecondFactor
{
    private const RECOVERY_CODES = 10;

    private const LETTERS = '23456789abcdefghjkmnpqrstuvwxyz';

    /** A recovery code is two groups of so many letters. */
    private const GROUP = 5;

    public function __construct(private readonly CurrentPractice $practice) {}

    /** Begins to set it up; it counts once a first code was given. One that counts already is kept until then. */
    public function begin(Account $account): string
    {
        $secret = Totp::newSecret();
        session()->put(self::sessionKey($account), Crypt::encryptString($secret));

        return $secret;
    }

    /** @return list<string>|null the recovery codes, shown once; null where the code is not the one of now */
    public function confirm(Account $account, string $code): ?array
    {
        $begun = session()->get(self::sessionKey($account));
        $secret = is_string($begun) ? Crypt::decryptString($begun) : null;
        $step =
            $secret !== null
                ? Totp::stepOf(self::plain($code), $secret, CarbonImmutable::now()->getTimestamp(), null)
                : null;
        if ($step === null) {
            return null;
        }
        session()->forget(self::sessionKey($account));
        $codes = self::newCodes();
        $this->practice->across(
            static fn(): bool => $account
                ->forceFill([
                    'second_factor' => $secret,
                    'second_factor_since' => CarbonImmutable::now()->utc(),
                    'second_factor_step' => $step,
                    'recovery_codes' => array_map(self::hash(...), $codes),
                ])
                ->save(),
        );

        return $codes;
    }

    /** Whether a code holds: that of now, or a recovery code that was not used yet. Each is taken once, however many try at the same moment. */
    public function takes(Account $account, string $typed): bool
    {
        $code = self::plain($typed);

        return $this->practice->across(
            static fn(): bool => DB::transaction(static function () use ($account, $code): bool {
                $locked = Account::query()->lockForUpdate()->find($account->id);
                if ($locked === null || $locked->second_factor === null || !$locked->hasSecondFactor()) {
                    return false;
                }
                $step = Totp::stepOf(
                    $code,
                    $locked->second_factor,
                    CarbonImmutable::now()->getTimestamp(),
                    $locked->second_factor_step,
                );
                if ($step !== null) {
                    return $locked->forceFill(['second_factor_step' => $step])->save();
                }
                $left = array_values(array_diff($locked->recovery_codes, [self::hash($code)]));

                return count($left) < count($locked->recovery_codes) &&
                    $locked->forceFill(['recovery_codes' => $left])->save();
            }),
        );
    }

    /** @return list<string> new recovery codes in place of all others */
    public function renewCodes(Account $account): array
    {
        $codes = self::newCodes();
        $this->practice->across(
            static fn(): bool => $account->forceFill(['recovery_codes' => array_map(self::hash(...), $codes)])->save(),
        );

        return $codes;
    }

    public function remove(Account $account): void
    {
        $this->practice->across(
            static fn(): bool => $account
                ->forceFill([
                    'second_factor' => null,
                    'second_factor_since' => null,
                    'second_factor_step' => null,
                    'recovery_codes' => [],
                ])
                ->save(),
        );
    }

    private static function sessionKey(Account $account): string
    {
        return "second factor of $account->id";
    }

    /** Spaces and hyphens are for the eye. */
    private static function plain(string $typed): string
    {
        return mb_strtolower((string) preg_replace('/[\s-]+/u', '', $typed));
    }

    /** @return list<string> */
    private static function newCodes(): array
    {
        $code = static fn(): string => implode(
            '',
            array_map(
                static fn(): string => self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)],
                range(1, 2 * self::GROUP),
            ),
        );

        return array_map(
            static fn(): string => implode('-', str_split($code(), self::GROUP)),
            range(1, self::RECOVERY_CODES),
        );
    }

    /** Codes are drawn by chance and long enough that a hash without salt gives nothing away. */
    private static function hash(string $code): string
    {
        return hash('sha256', self::plain($code));
    }
}
