<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;

/**
 * Whether a password or PIN is good enough. A PIN is digits alone and may be shorter, for it is typed on a phone with
 * chalk on the hands. What others guess first is refused: the most common passwords, one's own name, digits that repeat
 * or count.
 */
final class Secret
{
    private const PIN_DIGITS = 6;

    private const ATHLETES_LETTERS = 8;

    private const STAFF_LETTERS = 10;

    /** Bytes of a hash that are kept of each common password. */
    private const KEPT_BYTES = 6;

    /** @return string|null what is wrong with it and how to mend it; null where it is good */
    public static function fault(string $secret, User $of): ?string
    {
        $isAthlete = $of->athlete_id !== null;
        $letters = $isAthlete ? self::ATHLETES_LETTERS : self::STAFF_LETTERS;
        if ($isAthlete && ctype_digit($secret)) {
            return match (true) {
                strlen($secret) < self::PIN_DIGITS => 'A PIN needs at least ' . self::PIN_DIGITS . ' digits.',
                self::repeatsOrCounts($secret)
                    => 'This PIN repeats or counts, and is the first that others try. Choose another.',
                self::isCommon($secret) => 'This PIN is one of the most common. Choose another.',
                default => null,
            };
        }

        return match (true) {
            mb_strlen($secret) < $letters && $isAthlete => 'A PIN needs at least ' .
                self::PIN_DIGITS .
                " digits, a password at least $letters letters.",
            mb_strlen($secret) < $letters => "A password needs at least $letters letters.",
            self::holdsName($secret, $of)
                => 'A password must not hold your own name or e-mail address. Choose another.',
            self::isCommon($secret) || self::repeatsOrCounts($secret)
                => 'This password is one of the most common, and the first that others try. Choose another.',
            default => null,
        };
    }

    /** 111111, 121212, 123123, 123456, 987654, 13579…: the same step from each character to the next, or a short part again and again. */
    private static function repeatsOrCounts(string $secret): bool
    {
        if (preg_match('/^(.{1,3})\1+.{0,2}$/u', $secret) === 1) {
            return true;
        }
        $codes = array_map(ord(...), str_split($secret));
        $steps = [];
        for ($i = 1; $i < count($codes); $i++) {
            $step = $codes[$i] - $codes[$i - 1];
            // After 9 comes 0, and the other way round.
            $steps[] = ctype_digit($secret) ? ($step + 10) % 10 : $step;
        }

        return count(array_unique($steps)) === 1;
    }

    private static function holdsName(string $secret, User $of): bool
    {
        $plain = mb_strtolower($secret);
        $names = [...preg_split('/[\s.\-_@]+/u', mb_strtolower($of->name)) ?: [], explode('@', $of->email)[0]];
        foreach ($names as $name) {
            // Without what is a name of three letters at most: too many words hold it.
            if (mb_strlen($name) > 3 && str_contains($plain, $name)) {
                return true;
            }
        }

        return false;
    }

    /** Whether it is among the 10,000 most common ones; with capitals and digits put after it, too. */
    private static function isCommon(string $secret): bool
    {
        $plain = mb_strtolower($secret);
        $known = (string) file_get_contents(resource_path('common-passwords.bin'));
        foreach (array_unique([$plain, rtrim($plain, '0123456789!.?')]) as $word) {
            if ($word !== '' && self::isListed(substr(hash('sha256', $word, true), 0, self::KEPT_BYTES), $known)) {
                return true;
            }
        }

        return false;
    }

    private static function isListed(string $hash, string $sorted): bool
    {
        [$low, $high] = [0, intdiv(strlen($sorted), self::KEPT_BYTES) - 1];
        while ($low <= $high) {
            $middle = intdiv($low + $high, 2);
            $order = strcmp($hash, substr($sorted, $middle * self::KEPT_BYTES, self::KEPT_BYTES));
            if ($order === 0) {
                return true;
            }
            $order < 0 ? ($high = $middle - 1) : ($low = $middle + 1);
        }

        return false;
    }
}
