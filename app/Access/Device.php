<?php

declare(strict_types=1);

namespace App\Access;

/** What a browser says of the device that it runs on, in a word. */
final class Device
{
    public static function words(string $agent): string
    {
        return match (true) {
            $agent === '' => 'A device that does not say what it is',
            str_contains($agent, 'Mobi') => 'A phone',
            str_contains($agent, 'Tablet') || str_contains($agent, 'Android') => 'A tablet',
            default => 'A computer',
        };
    }
}
