<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\MessageKind;
use App\Models\User;
use App\Support\CalendarText;
use App\Support\Clock;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;
use Rung\Core\Words\WeekWords;

/** Marks shows, days without training and practice beside the plan; the calendar is filled again around them. It can be taken back. */
final class MarkDays
{
    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly WriteMessage $message,
    ) {}

    /** @throws InvalidInput where nothing is another */
    public function handle(CareCase $case, User $by, DaysData $request): Decision
    {
        return $this->write->run($case, $by, 'marked days', function (CareCase $case) use ($by, $request): Decision {
            $before = [
                'events' => self::asKept($case->events),
                'blocked' => self::asKept($case->blocked),
                'expected_sport' => array_map(
                    static fn(ExpectedSport $sport): array => $sport->toArray(),
                    $case->expected_sport,
                ),
            ];
            $words = self::put($case, $request);
            if (!$case->isStopped() && $case->closed_on === null) {
                $this->message->handle($case, $by, MessageKind::Message, "Your calendar: $words.");
            }

            return RecordDecision::record(
                $case->refresh(),
                $by,
                'days',
                "Calendar: $words",
                $request->reason,
                $this->standing->evaluate($case),
                new UndoData(case: $before),
            );
        });
    }

    /**
     * Marks them without a line in the record.
     *
     * @return string what is another now
     *
     * @throws InvalidInput
     */
    public static function put(CareCase $case, DaysData $request): string
    {
        $today = Clock::today($case->practice->timezone);
        $words = [];
        foreach (['events' => $request->events, 'blocked' => $request->blocked] as $field => $days) {
            if (
                array_filter(
                    $days,
                    static fn(Day $day): bool => $today->isAfter($day) ||
                        $day->daysSince($today) > CalendarText::AHEAD_DAYS,
                ) !== []
            ) {
                throw InvalidInput::at("/$field", 'must lie from today to ' . CalendarText::AHEAD_DAYS . ' days ahead');
            }
            // What is over stays as it was.
            $was = $field === 'events' ? $case->events : $case->blocked;
            $past = array_filter($was, static fn(Day $day): bool => $today->isAfter($day));
            $words[] = WeekWords::days(
                $field === 'events',
                array_values(array_filter($was, static fn(Day $day): bool => !$today->isAfter($day))),
                $days,
            );
            $case->forceFill([$field => [...$past, ...$days]]);
        }
        if ($request->sport !== null) {
            $words[] = self::putSport($case, $request->sport, $today);
        }
        $words = array_values(array_filter($words));
        if ($words === []) {
            throw InvalidInput::at('/events', 'are as they were, like the blocked days: change one, then save');
        }
        $case->save();
        if ($case->closed_on === null) {
            PlanSessions::ahead($case);
        }

        return implode('; ', $words);
    }

    /**
     * @param list<Day> $days
     *
     * @return list<string>
     */
    private static function asKept(array $days): array
    {
        return array_map(static fn(Day $day): string => $day->toIso(), $days);
    }

    /**
     * @param list<ExpectedSport> $sport
     *
     * @return string what is another now
     *
     * @throws InvalidInput
     */
    private static function putSport(CareCase $case, array $sport, Day $today): string
    {
        foreach ($sport as $i => $day) {
            if ($today->isAfter($day->on) || $day->on->daysSince($today) > CalendarText::AHEAD_DAYS) {
                throw InvalidInput::at(
                    "/sport/$i/on",
                    'must lie from today to ' . CalendarText::AHEAD_DAYS . ' days ahead',
                );
            }
        }
        usort(
            $sport,
            static fn(ExpectedSport $a, ExpectedSport $b): int => [$a->on->number, $a->what] <=> [
                $b->on->number,
                $b->what,
            ],
        );
        $was = $case->expected_sport;
        $ahead = array_values(
            array_filter($was, static fn(ExpectedSport $expected): bool => !$today->isAfter($expected->on)),
        );
        $past = array_filter($was, static fn(ExpectedSport $expected): bool => $today->isAfter($expected->on));
        $case->forceFill(['expected_sport' => [...$past, ...$sport]]);

        return WeekWords::sport($ahead, $sport);
    }
}
