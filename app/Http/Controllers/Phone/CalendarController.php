<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Models\CareCase;
use App\Models\Invitation;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\SessionCalendar;
use Illuminate\Http\Response;

/**
 * The calendar file that an athlete's calendar application reads by itself. It cannot sign in, so the address is the
 * permission: long, kept as a hash, made anew or withdrawn by the athlete; the file tells days, never findings.
 */
final class CalendarController
{
    public function __invoke(string $token): Response
    {
        $user = User::query()->withoutGlobalScopes()->where('calendar_hash', Invitation::hash($token))->whereNotNull('athlete_id')->first();
        $case = $user === null ? null : CareCase::query()->withoutGlobalScopes()
            ->where('practice_id', $user->practice_id)->where('athlete_id', $user->athlete_id)->whereNull('closed_on')->orderBy('opened_on')->first();
        if (!$user instanceof User || !$case instanceof CareCase) {
            abort(404);
        }
        AccessLog::read($user, $case, 'read the calendar');

        return new Response(SessionCalendar::of($case), 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'no-store, private']);
    }
}
