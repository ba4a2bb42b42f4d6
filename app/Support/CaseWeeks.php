<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\PlannedSession;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\WeekCheck;
use Rung\Core\Calendar\WeekRules;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\PlanWeeks;
use Rung\Core\Time\Day;
use Rung\Core\Words\WeekWords;

/** The planned weeks of a case: what stands on which day, what of it is done, and the rules that they keep. */
final readonly class CaseWeeks
{
    /** Before the id of a session stands this where it is done once more. */
    public const AGAIN = 'again:';

    /** Days before today that are shown: what was done there bears on what may come. */
    public const BACK_DAYS = 7;

    public const AHEAD_DAYS = 28;

    /**
     * @param array<string, Slot> $slots by key, those of earlier stages among them
     * @param list<Booked> $booked
     * @param array<string, PlannedSession> $planned by id
     * @param list<string> $done ids of planned sessions that were done or begun
     * @param array<string, string> $doneAs the planned session of each that was done, by its id
     */
    private function __construct(
        public Day $today,
        public ?PlanStage $stage,
        public array $slots,
        public array $booked,
        public array $planned,
        public array $done,
        public array $doneAs,
        public WeekRules $rules,
    ) {}

    public static function forCase(CareCase $case): self
    {
        $plan = $case->plan();
        $today = Clock::today($case->practice->timezone);
        $key = $case->stageEntries()->where('from', '<=', $today->toIso())->reorder('from', 'desc')->value('stage');
        $stage = $plan->stage(is_string($key) ? $key : '');
        // Where two stages have a kind of session of one key, the present one says what it is.
        $slots = array_column($stage->slots ?? [], null, 'key');
        foreach ($plan->stages as $planStage) {
            foreach ($planStage->slots as $slot) {
                $slots[$slot->key] ??= $slot;
            }
        }
        $rows = PlannedSession::query()
            ->where('case_id', $case->id)
            ->where('withdrawn', false)
            ->where('on', '>=', $today->plus(-self::BACK_DAYS)->toIso())
            ->where('on', '<', $today->plus(self::AHEAD_DAYS)->toIso())
            ->orderBy('on')
            ->orderBy('slot')
            ->orderBy('number')
            ->get();
        /** @var array<string, string> $doneAs */
        $doneAs = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id', 'id')->all();
        $done = array_values($doneAs);
        $booked = $planned = [];
        foreach ($rows as $row) {
            if (isset($slots[$row->slot])) {
                $booked[] = new Booked($row->id, Day::fromIso($row->on), $row->slot, in_array($row->id, $done, true));
                $planned[$row->id] = $row;
            }
        }
        $rules =
            $stage === null
                ? new WeekRules()
                : PlanWeeks::rules($stage, $case->weekdays($plan), $case->blocked, $case->events);

        return new self($today, $stage, $slots, $booked, $planned, $done, $doneAs, $rules);
    }

    public function isOpen(string $id): bool
    {
        return isset($this->planned[$id]) &&
            !in_array($id, $this->done, true) &&
            $this->planned[$id]->on >= $this->today->toIso();
    }

    /**
     * With sessions on other days, or left out.
     *
     * @param array<string, Day|null> $moves by session
     */
    public function moved(array $moves): self
    {
        $staying = array_filter(
            $this->booked,
            static fn(Booked $session): bool => !array_key_exists($session->id, $moves) ||
                $moves[$session->id] !== null,
        );
        $booked = array_map(
            static fn(Booked $session): Booked => isset($moves[$session->id])
                ? $session->movedTo($moves[$session->id])
                : $session,
            array_values($staying),
        );

        return new self(
            $this->today,
            $this->stage,
            $this->slots,
            $booked,
            $this->planned,
            $this->done,
            $this->doneAs,
            $this->rules,
        );
    }

    /**
     * With sessions once more on other days.
     *
     * @param array<string, Day> $again by session
     */
    public function withAgain(array $again): self
    {
        $added = [];
        foreach ($again as $session => $on) {
            $added[] = new Booked(self::AGAIN . $session, $on, $this->planned[$session]->slot);
        }

        return new self(
            $this->today,
            $this->stage,
            $this->slots,
            [...$this->booked, ...$added],
            $this->planned,
            $this->done,
            $this->doneAs,
            $this->rules,
        );
    }

    /** @return list<array{session: string, on: string, key: string, words: string}> from today on */
    public function clashes(): array
    {
        $words = new WeekWords($this->slots, $this->booked, $this->rules);
        $planned = [];
        foreach ((new WeekCheck($this->rules, $this->slots))->clashes($this->booked) as $clash) {
            if ($clash->on->number >= $this->today->number) {
                $planned[] = [
                    'session' => $clash->session,
                    'on' => $clash->on->toIso(),
                    'key' => $clash->key(),
                    'words' => $words->clash($clash),
                ];
            }
        }

        return $planned;
    }
}
