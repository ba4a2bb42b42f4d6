<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Models\CareCase;
use App\Models\Invitation;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use App\Support\SessionCalendar;
use App\Support\WorkCalendar;
use Illuminate\Http\Response;

/**
 * The calendar file that somebody's calendar application reads by itself. It cannot sign in, so the address is the
 * permission: long, kept as a hash, replaced by whom it belongs to; the file holds days, never findings.
 */
final class CalendarController
{
    public function __invoke(string $token, CurrentPractice $practice): Response
    {
        $user = $practice->across(
            static fn(): ?User => User::query()->where('calendar_hash', Invitation::hash($token))->first(),
        );

        return $user === null
            ? abort(404)
            : $practice->during($user->practice_id, static fn(): Response => self::answer($user));
    }

    private static function answer(User $user): Response
    {
        if ($user->athlete_id === null) {
            [$file, $shown] = WorkCalendar::forPractitioner($user);
            AccessLog::readMany(
                $user,
                'read the calendar',
                array_map(static fn(CareCase $case): string => $case->id, $shown),
            );

            return self::file($file);
        }
        $cases = CareCase::query()
            ->where('athlete_id', $user->athlete_id)
            ->whereNull('closed_on')
            ->orderBy('opened_on')
            ->get()
            ->all();
        foreach ($cases as $case) {
            AccessLog::read($user, $case, 'read the calendar');
        }

        return self::file(SessionCalendar::forCases(array_values($cases), $user->practice->timezone));
    }

    private static function file(string $calendar): Response
    {
        return new Response($calendar, 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Cache-Control' => 'no-store, private',
        ]);
    }
}
