<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Opening;
use App\Models\User;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Time\TimeWords;

/** A letter to whoever is to see an athlete first, drawn from what was typed so far; a draft, to be read before it is sent. */
final class ReferralLetter
{
    public static function write(Opening $opening, User $by, string $to, string $why, Catalogue $catalogue): string
    {
        $typed = (array) $opening->form;
        $text = static fn(string $field): string => is_string($typed[$field] ?? null) ? trim($typed[$field]) : '';
        $structure = $catalogue->structures[$text('structure')]->title ?? '';
        $signs = array_map(
            static fn(string $key): string => '- ' . ($catalogue->signs[$key]->words ?? $key),
            array_map(strval(...), array_keys((array) ($typed['signs'] ?? []))),
        );
        $risks = array_map(
            static fn(string $key): string => '- ' . ($catalogue->risks[$key]->words ?? $key),
            array_map(strval(...), array_keys((array) ($typed['risks'] ?? []))),
        );
        $practice = $by->practice;
        $line = static fn(string $label, string $field): string => $text($field) === ''
            ? ''
            : "$label: {$text($field)}";
        $paragraphs = [
            implode(
                "\n",
                array_filter([
                    $practice->name,
                    $practice->telephone,
                    TimeWords::day(Clock::today($practice->timezone)) .
                    ' ' .
                    substr(Clock::today($practice->timezone)->toIso(), 0, 4),
                ]),
            ),
            "To $to",
            'Re: ' .
            implode(
                ', ',
                array_filter([
                    $opening->name,
                    $structure,
                    $text('side') === 'both' ? 'both sides' : $text('side'),
                    $text('born_on') === '' ? '' : "born {$text('born_on')}",
                ]),
            ),
            "Please see this athlete before any loading is begun. $why",
            $signs === [] ? '' : "Found in screening:\n" . implode("\n", $signs),
            $risks === [] ? '' : "Risks:\n" . implode("\n", $risks),
            implode(
                "\n",
                array_filter([
                    $line('Pain began on', 'began_on'),
                    $line('After', 'load_change'),
                    $line('Worse with', 'aggravating'),
                    $line('History', 'history'),
                ]),
            ),
            'No loading programme was started. We will gladly go on once you have seen the athlete; please tell us what you found.',
            $by->name,
        ];

        return implode("\n\n", array_filter($paragraphs, static fn(string $paragraph): bool => $paragraph !== ''));
    }
}
