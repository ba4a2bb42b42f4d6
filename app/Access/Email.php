<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Support\Str;

/** What somebody signs in with: an e-mail address, or a name made for an athlete who has none. Kept and compared without capitals. */
final class Email
{
    public static function folded(string $address): string
    {
        return mb_strtolower(trim($address));
    }

    /** Whether it can be one: with an @ it has to be an address, without it letters, digits, dots and hyphens. */
    public static function isSound(string $typed): bool
    {
        $folded = self::folded($typed);

        return str_contains($folded, '@')
            ? filter_var($folded, FILTER_VALIDATE_EMAIL) !== false
            : preg_match('/^[a-z0-9]+([.-][a-z0-9]+)*$/D', $folded) === 1;
    }

    /** "odile.marsh-4821" for an athlete without an address; the digits keep two of one name apart. */
    public static function madeFor(string $name): string
    {
        $plain = Str::slug($name, '.');

        return ($plain === '' ? 'athlete' : mb_substr($plain, 0, 60)) . '-' . random_int(1000, 9999);
    }
}
