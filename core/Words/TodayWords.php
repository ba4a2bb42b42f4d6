<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Acceptance\Relief;
use Rung\Core\Acceptance\ReliefKind;
use Rung\Core\Calendar\Slot;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Catalogue\School;
use Rung\Core\Decision\Asked;
use Rung\Core\Decision\Because;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Gate\CriterionOutlook;
use Rung\Core\Number;
use Rung\Core\Plan\Maintenance;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Record\Side;
use Rung\Core\Stage\CleanDays;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\DaysInStage;
use Rung\Core\Stage\ExercisePain;
use Rung\Core\Stage\LoadedPain;
use Rung\Core\Stage\OutcomeBound;
use Rung\Core\Stage\OutcomeGain;
use Rung\Core\Stage\Provocation;
use Rung\Core\Stage\Reached;
use Rung\Core\Stage\SessionsDone;
use Rung\Core\Stage\SportSessions;
use Rung\Core\Stage\Symmetry;
use Rung\Core\Stage\TestChange;
use Rung\Core\Stage\TestValue;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** What an athlete reads: why today is what it is, what is missing on the ladder, and what has been gained. */
final class TodayWords
{
    private const WEEKDAYS = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    /** Hours of a day over which several sessions are spread. */
    private const WAKING_HOURS = 12;

    /** Days back to the session that today's ease lets settle. */
    private const SETTLING_DAYS = 3;

    /**
     * Why a day is what it is, in a sentence.
     *
     * @param array<string, string> $planned slot by ISO date, of the days around it
     * @param list<Day> $events
     */
    public static function why(Plan $plan, PlanStage $stage, Day $on, array $planned, array $events): string
    {
        if ($plan->restsAltogether($on)) {
            return 'Rest until ' . self::weekday($plan->restUntil ?? $on) . ', so that it can settle.';
        }
        $slot = $stage->slot($planned[$on->toIso()] ?? null);
        $before = self::hardBefore($stage, $on, $planned);
        $settles =
            $before === null
                ? null
                : 'so that ' . self::weekday($before[0]) . '’s ' . self::noun($before[1]) . ' can settle';
        if ($slot === null) {
            return $settles === null ? 'Rest: nothing is planned today.' : "Rest, $settles.";
        }
        $hasSprings = array_filter($stage->slots, static fn(Slot $anySlot): bool => $anySlot->mode->isSpringy()) !== [];
        foreach ($events as $event) {
            if ($hasSprings && abs($event->daysSince($on)) <= 1 && !$slot->mode->isSpringy()) {
                return 'No springs today: ' .
                    match (true) {
                        $event->number === $on->number => 'there is an event today.',
                        $event->isAfter($on) => 'there is an event tomorrow.',
                        default => 'there was an event yesterday.',
                    };
            }
        }

        return match (true) {
            $slot->mode === Mode::Isometric && $settles !== null => "Holds only, $settles.",
            $slot->mode === Mode::Isometric => 'Holds: they calm it and keep it strong.',
            $slot->mode === Mode::Running => 'Running: a little more at a time, as it settles.',
            $slot->mode === Mode::Throwing => 'Throwing: a little more at a time, as it settles.',
            $slot->mode->isSpringy() => 'Springs: fast loading, on rested legs, once the slow work holds.',
            $slot->mode === Mode::Sport => 'Back to your act: its load counts too.',
            $slot->mode === Mode::Control => 'Control: slow and exact, without much load.',
            $slot->mode === Mode::Mobility, $slot->mode === Mode::SoftTissue => 'Loosening: light, to keep it moving.',
            default => ucfirst(self::noun($slot)) . ': the slow, heavy work that builds it up.',
        };
    }

    /** "Week 5 of about 12"; beyond what is usual the week alone. */
    public static function week(Day $today, Day $opened, ?int $usualWeeks): string
    {
        $week = intdiv($today->daysSince($opened), 7) + 1;

        return "Week $week" . ($usualWeeks === null || $week > $usualWeeks ? '' : " of about $usualWeeks");
    }

    /** "Finished. You keep it up once a week until Tue 9 Jun." */
    public static function maintenance(Maintenance $kept): string
    {
        return 'Finished. You keep it up ' .
            ($kept->perWeek === 1 ? 'once' : 'twice') .
            ' a week until ' .
            TimeWords::day($kept->until) .
            '.';
    }

    /** Why the next session asks for so much of an exercise; null where there is nothing to say. */
    public static function asked(Asked $asked): ?string
    {
        return match ($asked->because) {
            Because::Fixed => null,
            Because::Start => 'You begin at the lower end; it grows as it settles.',
            Because::Eased => 'Back to the lower end: the last time was too much.',
            Because::Short => 'The lower end again: the last time not all of it was done.',
            Because::Kept => 'As the last time.',
            Because::Capped => 'No further for now: more was too much before.',
            Because::Full => 'The top of your range: it settles.',
            Because::Grown => 'More than the last time: it settled.',
        };
    }

    /** Why the next practice asks for what it asks. */
    public static function practice(PracticeLadder $ladder): string
    {
        return match ($ladder->because) {
            Because::Fixed, Because::Start => 'You begin with the first step.',
            Because::Eased => 'One step back: the last time was too much.',
            Because::Short => 'The same again: the last time was shorter or easier than this.',
            Because::Kept => $ladder->settled > 0
                ? 'Once more like this; if it settles, the next step follows.'
                : 'The same again, so that it can settle.',
            Because::Capped => 'No further for now: a stop was less than a week before.',
            Because::Full => 'This is the whole of it.',
            Because::Grown => 'The next step: the last ' . PracticeLadder::TIMES . ' settled.',
        };
    }

    /** What a day says while a stop stands. */
    public const STOPPED = 'No loading until you have been seen.';

    /**
     * The limbs that take turns in an exercise, the sore one first; one where it is done on one side, none where both work
     * at once.
     *
     * @return list<array{side: string, words: string}>
     */
    public static function sides(Limbs $limbs, Side $affected): array
    {
        $limbs = $affected === Side::Both ? $limbs->onBothSides() : $limbs;
        $sides = match (true) {
            $limbs === Limbs::Together => [],
            $limbs === Limbs::Affected => [$affected],
            $affected === Side::Right => [Side::Right, Side::Left],
            default => [Side::Left, Side::Right],
        };

        return array_map(
            static fn(Side $side): array => [
                'side' => $side->value,
                'words' => $side->value . ($limbs === Limbs::Each && $side === $affected ? ', the sore one' : ''),
            ],
            $sides,
        );
    }

    /** Hours between two sessions of one kind on a day: the waking half of the day, shared out (docs/rules.md, "Several a day"). */
    public static function leastHours(int $timesADay): int
    {
        return max(1, intdiv(self::WAKING_HOURS, $timesADay));
    }

    /** What a school says where an exercise hurt more than its limit, if the school's own words are not known. */
    public static function overLimit(?School $school): string
    {
        return $school->whenOver ?? 'That is more than it should take. Make it easier now, or leave it for today.';
    }

    /** What may help at once, as it stands on a button. */
    public static function relief(Relief $relief): string
    {
        return match ($relief->kind) {
            ReliefKind::ShorterRange => 'Shorter range: stop just before it hurts',
            ReliefKind::LessHard => 'Less hard: only as much as stays within the limit',
            ReliefKind::FewerSets => 'One set fewer today',
            ReliefKind::EasierRung => 'Easier: ' . lcfirst($relief->exercise->title ?? ''),
            ReliefKind::LeaveOut => 'Leave it for today',
        };
    }

    /** When somebody whose case is closed should come back. */
    public static function comeBack(ResponseRule $rule): string
    {
        return "Come back if a morning scores over $rule->next_day_max of 10, if it hurts more than before for a week, or before your training grows by a lot. With a stop sign: at once.";
    }

    /** What earns a peg that is still missing, in an athlete's words. */
    public static function missing(CriterionOutlook $outlook): ?string
    {
        if ($outlook->result->state === CriterionState::Met) {
            return null;
        }
        $criterion = $outlook->result->criterion;
        $need = (string) $criterion->needed();

        return match (true) {
            $criterion instanceof DaysInStage => "a stay of $need days on this rung",
            $criterion instanceof ExercisePain => "pain of $need or less in the exercises, for $criterion->days days",
            $criterion instanceof Provocation => "a morning test of $need or less, for $criterion->days days",
            $criterion instanceof CleanDays => "$need days without a session that was too much",
            $criterion instanceof Symmetry => "$need % of the other side’s strength, tested by your practitioner",
            $criterion instanceof TestValue => 'a strength test, by your practitioner',
            $criterion instanceof Reached => GateWords::criterion($outlook->result),
            $criterion instanceof SportSessions => "$need full practices that are well tolerated",
            $criterion instanceof SessionsDone => "$need % of the planned sessions done",
            $criterion instanceof OutcomeBound => 'a better severity score',
            $criterion instanceof LoadedPain
                => "pain of $need or less with at least $criterion->min_load_kg kg, for $criterion->days days",
            $criterion instanceof TestChange => 'a better strength test, by your practitioner',
            $criterion instanceof OutcomeGain => 'a better severity score',
            default => 'your practitioner’s word that the technique is sound',
        };
    }

    /**
     * What can be done now with the pain that less gave before: "you now do 3 × 12 at 40 kg with the pain that 20 kg gave
     * on 3 May". Only the same exercise is compared.
     *
     * @param callable(Session): ?string $exerciseOf the exercise that filled the prescription in a session
     */
    public static function gained(
        Evaluation $evaluation,
        string $prescription,
        string $title,
        callable $exerciseOf,
    ): ?string {
        $mode = $evaluation->log->prescriptions[$prescription]->mode;
        $sentences = array_values(
            array_filter(
                $evaluation->log->ended,
                static fn(Session $session): bool => $session->painOf($prescription) !== null &&
                    $session->setsOf($prescription) !== [],
            ),
        );
        $last = end($sentences);
        if ($last === false) {
            return null;
        }
        $pain = $last->painOf($prescription);
        $now = self::bestSet($last->setsOf($prescription));
        foreach ($sentences as $then) {
            $before = self::bestSet($then->setsOf($prescription));
            if (
                $then !== $last &&
                $then->painOf($prescription) >= $pain &&
                $exerciseOf($then) === $exerciseOf($last) &&
                self::more($now, $before, $mode)
            ) {
                $sets = count($last->setsOf($prescription));

                return "$title: you now do $sets × " .
                    DoseWords::set(new LoggedSet($now->reps, $now->hold_s, $now->work_s, $now->load_kg)) .
                    ($pain === 0 ? ' without pain; ' : " with pain $pain; ") .
                    DoseWords::set(new LoggedSet($before->reps, $before->hold_s, $before->work_s, $before->load_kg)) .
                    " gave {$then->painOf($prescription)} on " .
                    TimeWords::day($evaluation->log->dayOf($then)) .
                    '.';
            }
        }

        return null;
    }

    /**
     * The set with the most load, then the longest hold, then the most repetitions.
     *
     * @param list<LoggedSet> $sets one at least
     */
    public static function bestSet(array $sets): LoggedSet
    {
        usort(
            $sets,
            static fn(LoggedSet $a, LoggedSet $b): int => [$b->load_kg ?? 0, $b->hold_s ?? 0, $b->reps ?? 0] <=> [
                $a->load_kg ?? 0,
                $a->hold_s ?? 0,
                $a->reps ?? 0,
            ],
        );

        return $sets[0];
    }

    /** Whether a set is more than another in something and less in nothing. */
    private static function more(LoggedSet $now, LoggedSet $then, Mode $mode): bool
    {
        $pairs = [
            [$now->load_kg ?? 0, $then->load_kg ?? 0],
            [
                $mode === Mode::Isometric ? $now->hold_s ?? 0 : $now->reps ?? 0,
                $mode === Mode::Isometric ? $then->hold_s ?? 0 : $then->reps ?? 0,
            ],
        ];
        $over = array_filter($pairs, static fn(array $pair): bool => Number::over($pair[0], $pair[1]));
        $under = array_filter($pairs, static fn(array $pair): bool => Number::under($pair[0], $pair[1]));

        return $over !== [] && $under === [];
    }

    private static function weekday(Day $day): string
    {
        return self::WEEKDAYS[$day->weekday()];
    }

    /**
     * The latest session before a day that has to settle.
     *
     * @param array<string, string> $planned
     *
     * @return array{Day, Slot}|null
     */
    private static function hardBefore(PlanStage $stage, Day $on, array $planned): ?array
    {
        for ($i = 1; $i <= self::SETTLING_DAYS; $i++) {
            $slot = $stage->slot($planned[$on->plus(-$i)->toIso()] ?? null);
            if ($slot !== null && $slot->mode !== Mode::Isometric) {
                return [$on->plus(-$i), $slot];
            }
        }

        return null;
    }

    private static function noun(Slot $slot): string
    {
        return match (true) {
            $slot->mode === Mode::Plyometric => 'jumps',
            $slot->mode === Mode::Running => 'run',
            $slot->mode === Mode::Throwing => 'throws',
            $slot->mode === Mode::Sport => 'practice',
            $slot->mode->isMoving() => 'slow strength',
            default => lcfirst($slot->name()),
        };
    }
}
