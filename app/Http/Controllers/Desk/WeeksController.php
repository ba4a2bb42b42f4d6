<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\MarkDays;
use App\Actions\MoveSessions;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\CoreFaults;
use App\Http\Requests\Desk\CountdownRequest;
use App\Http\Requests\Desk\DaysRequest;
use App\Http\Requests\Desk\LighterWeekRequest;
use App\Http\Requests\Desk\MoveRequest;
use App\Http\Requests\Desk\ReadDaysRequest;
use App\Http\Resources\CountdownPage;
use App\Http\Resources\WeeksPage;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CalendarText;
use App\Support\CaseWeeks;
use App\Support\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\LighterWeek;
use Rung\Core\Calendar\Replanner;
use Rung\Core\Time\Day;

/** The weeks of a case: what stands where, what breaks if it is moved, moving it, and the days that are not like others. */
final class WeeksController extends Controller
{
    /** Weeks ahead that can be looked at. */
    private const AHEAD = [4, 8, 12];

    public function show(Request $request, CareCase $case, RefreshStanding $standing): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the weeks');

        return new JsonResponse(WeeksPage::present($case, $standing->evaluate($case), self::ahead($request)));
    }

    /** How the weeks would stand with other shows and days without training; nothing is stored. */
    public function previewDays(DaysRequest $request, CareCase $case, RefreshStanding $standing): JsonResponse
    {
        // The calendar is filled as it would be, looked at, and put back.
        DB::beginTransaction();
        try {
            $words = MarkDays::put($case, $request->value());
            $weeks = WeeksPage::present($case, $standing->evaluate($case), self::ahead($request));
        } finally {
            DB::rollBack();
        }

        return new JsonResponse(['words' => $words, 'weeks' => $weeks]);
    }

    public function markDays(DaysRequest $request, CareCase $case, MarkDays $mark): JsonResponse
    {
        $decision = $mark->handle($case, self::person($request), $request->value());

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words, 'undo' => true], 201);
    }

    /** The days that a text or a calendar file names; nothing is stored. */
    public function readDays(ReadDaysRequest $request, CareCase $case): JsonResponse
    {
        $zone = $case->practice->timezone;

        return new JsonResponse(CalendarText::read($request->string('text')->value(), Clock::today($zone), $zone));
    }

    /** The sessions that are left out for a lighter week; nothing is in force by it. */
    public function lighter(LighterWeekRequest $request, CareCase $case): JsonResponse
    {
        $weeks = CaseWeeks::forCase($case);
        $booked = array_map(
            static fn(Booked $session): Booked => new Booked(
                $session->id,
                $session->on,
                $session->slot,
                !$weeks->isOpen($session->id),
            ),
            $weeks->booked,
        );
        $out = LighterWeek::leaveOut(
            $booked,
            Day::fromIso($request->string('week')->value()),
            $request->integer('less_percent'),
        );

        return new JsonResponse([
            'moves' => array_map(static fn(Booked $session): array => ['session' => $session->id, 'on' => null], $out),
        ]);
    }

    /** When the stages have to begin so that the athlete is ready by a day. */
    public function countdown(
        CountdownRequest $request,
        CareCase $case,
        RefreshStanding $standing,
        CountdownPage $page,
    ): JsonResponse {
        AccessLog::read(self::person($request), $case, 'looked at the weeks');

        return new JsonResponse(
            CoreFaults::refusing(
                static fn(): array => $page->present($case, $standing->evaluate($case), $request->by()),
            ),
        );
    }

    /** @return positive-int */
    private static function ahead(Request $request): int
    {
        $asked = $request->integer('weeks');

        return in_array($asked, self::AHEAD, true) ? $asked : self::AHEAD[0];
    }

    public function preview(MoveRequest $request, CareCase $case, RefreshStanding $standing): JsonResponse
    {
        $asked = $request->value();
        $weeks = CaseWeeks::forCase($case);
        $moved = $weeks->moved(MoveSessions::checked($weeks, $asked->moves, $asked->again))->withAgain($asked->again);

        return new JsonResponse(
            WeeksPage::change($case, $standing->evaluate($case), $weeks, $moved, self::ahead($request)),
        );
    }

    /** The fewest moves that mend what is broken; nothing is in force by it. */
    public function replan(CareCase $case): JsonResponse
    {
        $weeks = CaseWeeks::forCase($case);
        $replan = Replanner::replan($weeks->booked, $weeks->rules, $weeks->slots, $weeks->today);

        return new JsonResponse([
            'moves' => array_map(
                static fn(Booked $booked): array => ['session' => $booked->id, 'on' => $booked->on->toIso()],
                $replan->moves,
            ),
            'left_out' => array_map(static fn(Booked $booked): string => $booked->id, $replan->leftOut),
        ]);
    }

    public function store(MoveRequest $request, CareCase $case, MoveSessions $move): JsonResponse
    {
        $decision = $move->handle($case, self::person($request), $request->value());

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words, 'undo' => true], 201);
    }
}
