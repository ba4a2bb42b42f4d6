<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\DaysRequest;
use App\Actions\MarkDays;
use App\Actions\MoveRequest;
use App\Actions\MoveSessions;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\LighterWeekRequest;
use App\Http\Requests\ReadDaysRequest;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\CountdownPage;
use App\Http\Resources\WeeksPage;
use App\Models\CareCase;
use App\Models\Decision;
use App\Support\AccessLog;
use App\Support\CalendarText;
use App\Support\CaseWeeks;
use App\Support\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\LighterWeek;
use Rung\Core\Calendar\Replanner;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** The weeks of a case: what stands where, what breaks if it is moved, moving it, and the days that are not like others. */
final class WeeksController extends Controller
{
    /** Weeks ahead that can be looked at. */
    private const AHEAD = [4, 8, 12];

    public function show(Request $request, CareCase $case, RefreshStanding $standing): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the weeks');

        return new JsonResponse(WeeksPage::of($case, $standing->evaluate($case), self::ahead($request)));
    }

    /** How the weeks would stand with other shows and days without training; nothing is stored. */
    public function previewDays(Request $request, CareCase $case, RefreshStanding $standing): JsonResponse
    {
        $asked = ReadsCore::from($request, DaysRequest::read(...));
        $ahead = self::ahead($request);

        return new JsonResponse(
            ReadsCore::refusing(static function () use ($case, $asked, $standing, $ahead): array {
                // The calendar is filled as it would be, looked at, and put back.
                DB::beginTransaction();
                try {
                    $words = MarkDays::put($case, $asked);

                    return ['words' => $words, 'weeks' => WeeksPage::of($case, $standing->evaluate($case), $ahead)];
                } finally {
                    DB::rollBack();
                }
            }),
        );
    }

    public function markDays(Request $request, CareCase $case, MarkDays $mark): JsonResponse
    {
        $asked = ReadsCore::from($request, DaysRequest::read(...));
        $decision = ReadsCore::refusing(static fn(): Decision => $mark->handle($case, self::person($request), $asked));

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words, 'undo' => true], 201);
    }

    /** The days that a text or a calendar file names; nothing is stored. */
    public function readDays(ReadDaysRequest $request, CareCase $case): JsonResponse
    {
        $zone = $case->practice->timezone;

        return new JsonResponse(
            ReadsCore::refusing(
                static fn(): array => CalendarText::read($request->string('text')->value(), Clock::today($zone), $zone),
            ),
        );
    }

    /** The sessions that are left out for a lighter week; nothing is in force by it. */
    public function lighter(LighterWeekRequest $request, CareCase $case): JsonResponse
    {
        $weeks = CaseWeeks::of($case);
        $booked = array_map(
            static fn(Booked $session): Booked => new Booked(
                $session->id,
                $session->on,
                $session->slot,
                !$weeks->isOpen($session->id),
            ),
            $weeks->booked,
        );
        $out = LighterWeek::of(
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
        Request $request,
        CareCase $case,
        RefreshStanding $standing,
        CountdownPage $page,
    ): JsonResponse {
        AccessLog::read(self::person($request), $case, 'looked at the weeks');
        $asked = $request->string('by')->value();

        return new JsonResponse(
            ReadsCore::refusing(static function () use ($case, $standing, $page, $asked): array {
                try {
                    $by = Day::fromIso($asked);
                } catch (InvalidArgumentException) {
                    throw InvalidInput::at('/by', 'must be a day, as 2026-12-12');
                }

                return $page->of($case, $standing->evaluate($case), $by);
            }),
        );
    }

    /** @return positive-int */
    private static function ahead(Request $request): int
    {
        $asked = $request->integer('weeks');

        return in_array($asked, self::AHEAD, true) ? $asked : self::AHEAD[0];
    }

    public function preview(Request $request, CareCase $case, RefreshStanding $standing): JsonResponse
    {
        $asked = ReadsCore::from($request, MoveRequest::read(...));
        $ahead = self::ahead($request);

        return new JsonResponse(
            ReadsCore::refusing(static function () use ($case, $asked, $standing, $ahead): array {
                $weeks = CaseWeeks::of($case);

                return WeeksPage::change(
                    $case,
                    $standing->evaluate($case),
                    $weeks,
                    $weeks
                        ->moved(MoveSessions::checked($weeks, $asked->moves, $asked->again))
                        ->withAgain($asked->again),
                    $ahead,
                );
            }),
        );
    }

    /** The fewest moves that mend what is broken; nothing is in force by it. */
    public function replan(CareCase $case): JsonResponse
    {
        $weeks = CaseWeeks::of($case);
        $replan = Replanner::of($weeks->booked, $weeks->rules, $weeks->slots, $weeks->today);

        return new JsonResponse([
            'moves' => array_map(
                static fn(Booked $booked): array => ['session' => $booked->id, 'on' => $booked->on->toIso()],
                $replan->moves,
            ),
            'left_out' => array_map(static fn(Booked $booked): string => $booked->id, $replan->leftOut),
        ]);
    }

    public function store(Request $request, CareCase $case, MoveSessions $move): JsonResponse
    {
        $asked = ReadsCore::from($request, MoveRequest::read(...));
        $decision = ReadsCore::refusing(static fn(): Decision => $move->handle($case, self::person($request), $asked));

        return new JsonResponse(['id' => $decision->id, 'words' => $decision->words, 'undo' => true], 201);
    }
}
