<?php

declare(strict_types=1);

namespace App\Access;

use InvalidArgumentException;
use SensitiveParameter;

/**
 * Codes that change with time, by RFC 6238 on RFC 4226: an app on a phone and Rung share a secret, and each makes the code
 * of the present step of time of it.
 */
final class Totp
{
    public const STEP_S = 30;

    public const DIGITS = 6;

    /** Steps before and after the present one that are taken too, for a clock that goes wrong. */
    private const SKEW = 1;

    /** As long as a hash of SHA-1, as RFC 4226 advises. */
    private const SECRET_BYTES = 20;

    private const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** A new secret, in base 32 (RFC 4648), as apps take it. */
    public static function newSecret(): string
    {
        return self::toBase32(random_bytes(self::SECRET_BYTES));
    }

    /** The code of a step of time. */
    public static function code(#[SensitiveParameter] string $secret, int $step, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), self::fromBase32($secret), true);
        $part = unpack('N', $hash, ord($hash[19]) & 0xf);
        $number = is_array($part) && is_int($part[1] ?? null) ? $part[1] & 0x7fffffff : 0;

        return str_pad((string) ($number % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * The step of time that a code belongs to; null where it is the code of none that is taken now.
     *
     * @param int $now seconds since 1970
     * @param int|null $used the newest step whose code was taken: that one and those before are not taken again
     */
    public static function stepOf(string $code, #[SensitiveParameter] string $secret, int $now, ?int $used): ?int
    {
        $present = intdiv($now, self::STEP_S);
        $found = null;
        for ($step = $present - self::SKEW; $step <= $present + self::SKEW; $step++) {
            // Every step is compared, so that the time it takes gives nothing away.
            if (hash_equals(self::code($secret, $step), $code) && ($used === null || $step > $used)) {
                $found = $step;
            }
        }

        return $found;
    }

    /** What a phone reads from a picture, so that nobody types the secret. */
    public static function address(#[SensitiveParameter] string $secret, string $email): string
    {
        return 'otpauth://totp/' .
            rawurlencode("Rung:$email") .
            "?secret=$secret&issuer=Rung&algorithm=SHA1&digits=" .
            self::DIGITS .
            '&period=' .
            self::STEP_S;
    }

    public static function toBase32(#[SensitiveParameter] string $bytes): string
    {
        $bits = implode(
            '',
            array_map(static fn(string $byte): string => sprintf('%08b', ord($byte)), str_split($bytes)),
        );

        return implode(
            '',
            array_map(
                static fn(string $five): string => self::LETTERS[(int) bindec(str_pad($five, 5, '0'))],
                str_split($bits, 5),
            ),
        );
    }

    /** @throws InvalidArgumentException where it is no base 32 */
    public static function fromBase32(#[SensitiveParameter] string $text): string
    {
        $bits = '';
        foreach (str_split($text) as $letter) {
            $value = strpos(self::LETTERS, $letter);
            if ($value === false) {
                throw new InvalidArgumentException('not base 32');
            }
            $bits .= sprintf('%05b', $value);
        }

        return implode(
            '',
            array_map(
                static fn(string $byte): string => chr((int) bindec($byte)),
                array_filter(str_split($bits, 8), static fn(string $byte): bool => strlen($byte) === 8),
            ),
        );
    }
}
