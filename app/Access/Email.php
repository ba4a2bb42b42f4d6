<?php

declare(strict_types=1);

namespace App\Access;

/** E-mail addresses are kept and compared without capitals. */
final class Email
{
    public static function folded(string $address): string
    {
        return mb_strtolower(trim($address));
    }
}
