<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\MessageKind;
use App\Models\PlannedSession;
use App\Models\User;
use App\Support\CaseWeeks;
use Rung\Core\Calendar\Booked;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;
use Rung\Core\Words\WeekWords;

/** Moves planned sessions to other days, or leaves them out. The record shows it, the athlete gets a message, and it can be taken back. */
final class MoveSessions
{
    /** Numbers of sessions that are between two days. */
    private const AWAY = 1000;

    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly WriteMessage $message,
    ) {}

    /** @throws InvalidInput */
    public function handle(CareCase $case, User $by, MoveData $request): Decision
    {
        return $this->write->run($case, $by, 'moved sessions', function (CareCase $case) use ($by, $request): Decision {
            if ($case->isStopped()) {
                throw InvalidInput::at(
                    '/moves',
                    'must wait: a stop is open, and nothing is loaded before you have reviewed it',
                );
            }
            $weeks = CaseWeeks::forCase($case);
            $moves = self::checked($weeks, $request->moves, $request->again);
            $said =
                $moves === []
                    ? []
                    : [(array_filter($moves) === [] ? 'Left out: ' : 'Moved: ') . self::words($weeks, $moves)];
            if ($request->again !== []) {
                $said[] = 'Once more: ' . self::againWords($weeks, $request->again);
            }
            $words = implode('. ', $said);
            $evaluation = $this->standing->evaluate($case);
            $undo = new UndoData(moved: self::put($weeks, $moves), added: self::add($case, $weeks, $request->again));
            $this->message->handle($case, $by, MessageKind::Message, "$words.");

            return RecordDecision::record($case, $by, 'move', $words, $request->reason, $evaluation, $undo);
        });
    }

    /**
     * @param array<string, Day|null> $moves by session
     * @param array<string, Day> $again by session
     *
     * @return array<string, Day|null> those that change something
     *
     * @throws InvalidInput
     */
    public static function checked(CaseWeeks $weeks, array $moves, array $again = []): array
    {
        $until = $weeks->today->plus(CaseWeeks::AHEAD_DAYS);
        $taken = [];
        foreach ($weeks->moved($moves)->booked as $planned) {
            $taken[$planned->on->toIso() . "/$planned->slot/" . $weeks->planned[$planned->id]->number][] = $planned->id;
        }
        $i = 0;
        foreach ($moves as $session => $on) {
            if (!$weeks->isOpen((string) $session)) {
                throw InvalidInput::at(
                    "/moves/$i/session",
                    'must be a session of this case that is planned and not done yet',
                );
            }
            if ($on === null) {
                $i++;
                continue;
            }
            if ($weeks->today->isAfter($on) || !$until->isAfter($on)) {
                throw InvalidInput::at(
                    "/moves/$i/on",
                    'must lie from today to ' . CaseWeeks::AHEAD_DAYS . ' days ahead',
                );
            }
            $planned = $weeks->planned[$session];
            if (count($taken[$on->toIso() . "/$planned->slot/$planned->number"] ?? []) > 1) {
                throw InvalidInput::at(
                    "/moves/$i/on",
                    'has such a session already; choose another day, or move that one too',
                );
            }
            $i++;
        }
        foreach ($again as $session => $on) {
            if (!$weeks->isOpen((string) $session)) {
                throw InvalidInput::at(
                    "/moves/$i/session",
                    'must be a session of this case that is planned and not done yet',
                );
            }
            if ($weeks->today->isAfter($on) || !$until->isAfter($on)) {
                throw InvalidInput::at(
                    "/moves/$i/on",
                    'must lie from today to ' . CaseWeeks::AHEAD_DAYS . ' days ahead',
                );
            }
            $i++;
        }
        $changed = array_filter(
            $moves,
            static fn(?Day $on, int|string $session): bool => $weeks->planned[$session]->on !== $on?->toIso(),
            ARRAY_FILTER_USE_BOTH,
        );

        return $changed !== [] || $again !== []
            ? $changed
            : throw InvalidInput::at('/moves', 'must hold at least one session that goes to another day');
    }

    /** @param array<string, Day> $again */
    private static function againWords(CaseWeeks $weeks, array $again): string
    {
        $words = new WeekWords($weeks->slots, $weeks->booked, $weeks->rules);

        return implode(
            '; ',
            array_map(
                static fn(string $session, Day $on): string => $words->again($weeks->planned[$session]->slot, $on),
                array_keys($again),
                $again,
            ),
        );
    }

    /**
     * A session once more. The plan does not ask for it, so it stays where it is until the stage ends.
     *
     * @param array<string, Day> $again by session
     *
     * @return list<string> ids of what was added
     */
    private static function add(CareCase $case, CaseWeeks $weeks, array $again): array
    {
        $added = [];
        foreach ($again as $session => $on) {
            $planned = $weeks->planned[$session];
            $last = PlannedSession::query()
                ->where('case_id', $case->id)
                ->where('on', $on->toIso())
                ->where('slot', $planned->slot)
                ->where('number', '<', self::AWAY)
                ->max('number');
            $added[] = PlannedSession::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'on' => $on->toIso(),
                'stage' => $planned->stage,
                'slot' => $planned->slot,
                'number' => (is_int($last) ? $last : 0) + 1,
                'added' => true,
            ])->id;
        }

        return $added;
    }

    /** @param array<string, Day|null> $moves */
    private static function words(CaseWeeks $weeks, array $moves): string
    {
        $words = new WeekWords($weeks->slots, $weeks->booked, $weeks->rules);
        $moved = array_values(
            array_filter($weeks->booked, static fn(Booked $booked): bool => array_key_exists($booked->id, $moves)),
        );

        return implode(
            '; ',
            array_map(static fn(Booked $booked): string => $words->move($booked, $moves[$booked->id]), $moved),
        );
    }

    /**
     * Puts them there without a line in the record.
     *
     * @param array<string, Day|null> $moves by session
     *
     * @return list<array{session: string, on: string, moved_from: string|null}> as they stood before
     */
    public static function put(CaseWeeks $weeks, array $moves): array
    {
        $before = [];
        // First all away, then all to their days: two may change places.
        foreach (array_keys($moves) as $i => $session) {
            $planned = $weeks->planned[$session];
            $before[] = ['session' => $planned->id, 'on' => $planned->on, 'moved_from' => $planned->moved_from];
            PlannedSession::query()
                ->whereKey($planned->id)
                ->update(['number' => self::AWAY + $i]);
        }
        foreach ($moves as $session => $on) {
            $planned = $weeks->planned[$session];
            if ($on === null) {
                PlannedSession::query()
                    ->whereKey($planned->id)
                    ->update(['number' => $planned->number, 'withdrawn' => true, 'dropped' => true]);
                continue;
            }
            $from = $planned->moved_from ?? $planned->on;
            PlannedSession::query()
                ->whereKey($planned->id)
                ->update([
                    'on' => $on->toIso(),
                    'number' => $planned->number,
                    'moved_from' => $from === $on->toIso() ? null : $from,
                ]);
        }

        return $before;
    }

    /**
     * Sessions go back to where they stood; the plan is filled up again around them.
     *
     * @param list<array{session: string, on: string, moved_from: string|null}> $before
     */
    public static function putBack(CareCase $case, array $before): void
    {
        $sessions = PlannedSession::query()
            ->where('case_id', $case->id)
            ->whereKey(array_column($before, 'session'))
            ->get()
            ->keyBy('id');
        foreach (array_values($sessions->all()) as $i => $planned) {
            PlannedSession::query()
                ->whereKey($planned->id)
                ->update(['number' => self::AWAY + $i]);
        }
        foreach ($before as $was) {
            $planned = $sessions->get($was['session']);
            if ($planned !== null) {
                PlannedSession::query()
                    ->whereKey($planned->id)
                    ->update(
                        [
                            'on' => $was['on'],
                            'moved_from' => $was['moved_from'],
                            'number' => $planned->number,
                            'dropped' => false,
                        ] + ($planned->dropped ? ['withdrawn' => false] : []),
                    );
            }
        }
        PlanSessions::ahead($case);
    }
}
