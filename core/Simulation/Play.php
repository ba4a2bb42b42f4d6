<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Closure;
use DateTimeImmutable;
use DateTimeZone;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Acceptance\Beginning;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\CaseFile\Athlete;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\CaseFile\Details;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Participation;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Review;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Record\SignOff;
use Rung\Core\Record\StageEntry;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\OverTest;
use Rung\Core\Stage\TechniqueSigned;
use Rung\Core\Start\SeverityScore;
use Rung\Core\Start\StartAdvisor;
use Rung\Core\Start\StartPlan;
use Rung\Core\Start\StartStage;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;

/**
 * Plays a programme forward, day by day, as the application would: the case is opened, what is asked is done, and on the
 * next morning what is preferred is accepted (docs/formats/case-file.md, "Play"). Same request, same answer.
 */
final class Play
{
    /** Days of sessions and mornings that are looked back on; no rule asks for more of a played case. */
    private const LOOK_BACK_DAYS = 100;

    private const SETTLED_MIN = 20;

    private const PRACTICE_MIN = 60;

    private const PRACTICE_EFFORT = 5;

    private const TEST_EVERY_DAYS = 7;

    private const FIRST_TEST_VALUE = 100;

    private CaseFile $file;

    private Plan $plan;

    private readonly ?SimulatedAthlete $simulated;

    private readonly Randomizer $chance;

    private readonly PlayedLoads $loads;

    private readonly PlayRecord $record;

    private ?int $endedDay = null;

    private function __construct(
        private readonly PlayRequest $request,
        private readonly Catalogue $catalogue,
        private readonly ?Closure $watch,
    ) {
        $athlete = $request->athlete;
        $this->chance = new Randomizer(new Mt19937($athlete->seed));
        $this->simulated = $athlete->isSteady
            ? null
            : new SimulatedAthlete(self::temper($athlete->seed), $this->chance, $catalogue, $request->structure);
        $this->loads = new PlayedLoads($request->structure, $request->bodyMassKg, $request->maxima, $catalogue);
        $this->record = new PlayRecord();
        $this->open();
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public static function answer(string $json, Catalogue $catalogue): array
    {
        return self::run(PlayRequest::read($json, $catalogue), $catalogue);
    }

    /**
     * @param (callable(Evaluation, Plan): void)|null $watch called with how the case stands each morning, before anything is decided
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput where the case could not be opened
     */
    public static function run(PlayRequest $request, Catalogue $catalogue, ?callable $watch = null): array
    {
        $play = new self($request, $catalogue, $watch === null ? null : $watch(...));
        for ($day = 1; $day <= 7 * $request->weeks && $play->endedDay === null; $day++) {
            $play->day($day);
        }

        return $play->record->toArray($play->endedDay);
    }

    private function open(): void
    {
        $request = $this->request;
        $programme = $request->programme;
        $stages = array_map(
            static fn(PlanStage $stage): StartStage => new StartStage(
                $stage->stage->key,
                $stage->stage->mode,
                $stage->stage->goals,
            ),
            $programme->plan->stages,
        );
        $proposal = StartAdvisor::propose($request->findings, $request->goal, $stages, $request->atRisk, false);
        if ($proposal->blocked || $proposal->stage === null) {
            throw InvalidInput::at(
                '/irritability',
                'blocks the start: pain of 8 or more, or no stage that applies to the goal',
            );
        }
        $plan = StartPlan::build(
            $programme,
            $this->catalogue,
            $this->catalogue->structure($request->structure),
            $proposal->stage,
            $proposal->level($request->purpose, $request->atRisk),
            $proposal->isIrritable($request->purpose, $request->atRisk),
            $request->equipment,
            goal: $request->goal,
        );
        $this->plan = SeverityScore::into(null, $plan->plan);
        $this->file = new CaseFile(
            Zone::utc(),
            new Athlete('Played', $request->bodyMassKg, $request->goal),
            new Details($request->structure, $request->side, $request->from, $request->purpose),
            $this->catalogue->school($programme->rule)->rule,
            $this->plan->fileStages($request->goal),
            [new StageEntry($proposal->stage, $request->from)],
        );
        $this->record->entered($proposal->stage, 1);
    }

    private function day(int $number): void
    {
        $day = $this->request->from->plus($number - 1);
        $this->simulated?->sleep();
        $this->morning($day, $number);
        if (($number - 1) % self::TEST_EVERY_DAYS === 0) {
            $this->measure($day, $number);
        }
        $this->decide($day, $number);
        if ($this->endedDay !== null) {
            return;
        }
        $this->forget($day);
        $done = $this->train($day);
        if ($done !== []) {
            $stage = $this->stage();
            $this->record->trained(intdiv($number - 1, 7) + 1, $stage->stage->key, $done, $stage->stage->prescriptions);
        }
    }

    private function morning(Day $day, int $number): void
    {
        $rise = $this->request->athlete->flares[$number - 1] ?? 0;
        $score = $this->simulated === null ? $this->request->athlete->pain : $this->simulated->score();
        $this->file = $this->file->with([
            'check_ins' => [
                ...$this->file->check_ins,
                new CheckIn("c$number", self::time($day, 7), min(10, $score + $rise), $this->simulated?->stiffness()),
            ],
        ]);
    }

    /** Both sides of every strength test that a gate or a load may ask for. */
    private function measure(Day $day, int $number): void
    {
        $tests = [$this->catalogue->structure($this->request->structure)->strengthTest];
        foreach ($this->plan->stages as $planned) {
            array_push(
                $tests,
                ...array_column(
                    array_filter(
                        $planned->stage->gate,
                        static fn(Criterion $criterion): bool => $criterion instanceof OverTest,
                    ),
                    'test',
                ),
            );
        }
        $grown = (1 + $this->request->athlete->gainPercentAWeek / 100) ** intdiv($number - 1, self::TEST_EVERY_DAYS);
        $new = array_map(function (string $test) use ($day, $grown): StrengthTest {
            $value = round(($this->request->maxima[$test] ?? self::FIRST_TEST_VALUE) * $grown, 3);

            return new StrengthTest($test, $day, $value, $value, 'N');
        }, array_values(array_unique($tests)));
        $this->file = $this->file->with(['tests' => [...$this->file->tests, ...$new]]);
    }

    /** What is preferred is accepted, what is asked for is signed, and who is ready moves on. */
    private function decide(Day $day, int $number): void
    {
        $at = self::time($day, 8);
        $evaluation = Evaluator::evaluate($this->file, $at);
        $begins = Beginning::begin($this->plan, $evaluation, []);
        if ($begins->changesAnything()) {
            $this->accept($begins, $day, $number);
            $evaluation = Evaluator::evaluate($this->file, $at);
        }
        $this->record->judged($evaluation);
        $isSigned =
            array_filter(
                $this->file->sign_offs,
                static fn(SignOff $signOff): bool => $signOff->stage === $evaluation->log->stage->key &&
                    !$evaluation->log->stageFrom->isAfter($signOff->on),
            ) !== [];
        if (
            !$isSigned &&
            array_filter(
                $evaluation->log->stage->gate,
                static fn(Criterion $criterion): bool => $criterion instanceof TechniqueSigned,
            ) !== []
        ) {
            $this->file = $this->file->with([
                'sign_offs' => [...$this->file->sign_offs, new SignOff($evaluation->log->stage->key, $day)],
            ]);
            $evaluation = Evaluator::evaluate($this->file, $at);
        }
        if ($this->watch !== null) {
            ($this->watch)($evaluation, $this->plan);
        }
        match ($evaluation->action->kind) {
            ActionKind::Stop => $this->clear($evaluation, $at),
            ActionKind::Finish => ($this->endedDay = $number),
            ActionKind::Advance,
            ActionKind::Progress,
            ActionKind::AddLoad,
            ActionKind::Ease,
            ActionKind::StepDown
                => $this->accept(Acceptance::accept($this->plan, $evaluation, $this->catalogue), $day, $number),
            default => null,
        };
    }

    private function clear(Evaluation $evaluation, Moment $at): void
    {
        $reviews = $this->file->reviews;
        foreach ($evaluation->stops as $stop) {
            if (!$stop->isCleared()) {
                $reviews[] = new Review($at, $stop->id);
            }
        }
        $this->file = $this->file->with(['reviews' => $reviews]);
    }

    private function accept(PlanStep $step, Day $day, int $number): void
    {
        if (!$step->changesAnything()) {
            return;
        }
        $this->plan = $step->plan;
        $this->file = $this->file->with([
            'stages' => $this->plan->fileStages($this->request->goal),
            'dose_changes' => [...$this->file->dose_changes, ...$step->changes],
        ]);
        foreach ($step->changes as $change) {
            $prescription =
                $change->prescription === null ? null : $this->stage()->stage->prescription($change->prescription);
            $this->record->changed($number, $change->kind->value, $change->prescription, $prescription);
        }
        if ($step->enterStage !== null) {
            $this->enter($step->enterStage, $day, $number);
        }
    }

    private function enter(string $stage, Day $day, int $number): void
    {
        $history = $this->file->stage_history;
        if (!$day->isAfter($history[count($history) - 1]->from)) {
            return;
        }
        $this->file = $this->file->with(['stage_history' => [...$history, new StageEntry($stage, $day)]]);
        $this->record->entered($stage, $number);
    }

    /** @return list<Session> of the day */
    private function train(Day $day): array
    {
        $entered = $this->file->stage_history[count($this->file->stage_history) - 1];
        $stage = $this->stage();
        $placed = PlanCalendar::asked($this->plan, $stage, $entered->from, $day, 1, $this->request->available, [], []);
        $done = [];
        foreach ($placed as $i => $place) {
            $planned = new PlannedSession("p{$day->toIso()}-$i", $day, $place->slot);
            // Work beside the stage is no share of what was asked.
            $isBeside = $stage->slot($place->slot)?->beside !== null;
            if (!$isBeside) {
                $this->file = $this->file->with(['planned' => [...$this->file->planned, $planned]]);
            }
            if ($this->chance->getInt(1, 10_000) <= 100 * $this->request->athlete->missPercent) {
                continue;
            }
            $session = $this->session($day, $stage, $place->slot, $planned->id, $isBeside, 9 + 3 * $i);
            $this->file = $this->file->with(['sessions' => [...$this->file->sessions, $session]]);
            $done[] = $session;
        }

        return $done;
    }

    private function session(
        Day $day,
        PlanStage $stage,
        string $slot,
        string $planned,
        bool $isBeside,
        int $hour,
    ): Session {
        $start = self::time($day, min(21, $hour));
        $due = array_values(
            array_filter(
                $stage->stage->prescriptions,
                fn(Prescription $p): bool => $p->slot === $slot && !$this->plan->rests($p->key, $day),
            ),
        );
        $isSport = $due === [];
        $asked = $due === [] ? [] : Evaluator::evaluate($this->file, $start)->askedByPrescription();
        $due = array_map(
            static fn(Prescription $p): Prescription => isset($asked[$p->key]) ? $asked[$p->key]->asPrescription() : $p,
            $due,
        );
        $pain = $this->request->athlete->pain;
        $entries = match (true) {
            $isSport => [new Entry(null, [], $this->simulated === null ? $pain : $this->simulated->practise(1.0))],
            $this->simulated === null => array_map(
                fn(Prescription $p): Entry => new Entry($p->key, $this->sets($p), $pain),
                $due,
            ),
            default => $this->simulated->train(
                array_map(
                    fn(Prescription $p): Prescription => $this->loads->loaded($p, $this->request->athlete->reserve),
                    $due,
                ),
            ),
        };

        return new Session(
            id: "s$planned",
            stage: $stage->stage->key,
            kind: $isSport ? SessionKind::Sport : SessionKind::Loading,
            started_at: $start,
            ended_at: self::time($day, min(21, $hour) + 1),
            entries: $entries,
            planned: $isBeside ? null : $planned,
            participation: $isSport ? Participation::Full : null,
            minutes: $isSport ? self::PRACTICE_MIN : null,
            effort: $isSport ? self::PRACTICE_EFFORT : null,
            settled_min: self::SETTLED_MIN,
        );
    }

    /** @return list<LoggedSet> as a steady athlete does them */
    private function sets(Prescription $prescription): array
    {
        $dose = $prescription->dose;
        $reserve = max($this->request->athlete->reserve, $dose->rir ?? 0);

        return array_fill(
            0,
            $dose->sets,
            new LoggedSet(
                reps: $dose->reps,
                hold_s: $dose->hold_s,
                work_s: $dose->work_s,
                load_kg: $this->loads->loaded($prescription, $this->request->athlete->reserve)->dose->load_kg,
                rir: $dose->reps + $reserve <= Strength::MAX_REPS || $prescription->mode !== Mode::Isometric
                    ? $reserve
                    : null,
                height_cm: $dose->height_cm,
            ),
        );
    }

    /** Drops what no rule looks back on any more. */
    private function forget(Day $day): void
    {
        $from = self::time($day->plus(-self::LOOK_BACK_DAYS), 0);
        if (count($this->file->check_ins) <= self::LOOK_BACK_DAYS + 14) {
            return;
        }
        $kept = array_values(
            array_filter(
                $this->file->sessions,
                static fn(Session $session): bool => $session->started_at->after($from),
            ),
        );
        $this->file = $this->file->with([
            'sessions' => $kept,
            'planned' => array_values(
                array_filter(
                    $this->file->planned,
                    static fn(PlannedSession $planned): bool => $planned->on->daysSince($day) >
                        -self::LOOK_BACK_DAYS - 2,
                ),
            ),
            'check_ins' => array_values(
                array_filter($this->file->check_ins, static fn(CheckIn $checkIn): bool => $checkIn->at->after($from)),
            ),
            'reviews' => [],
        ]);
    }

    private function stage(): PlanStage
    {
        $key = $this->file->stage_history[count($this->file->stage_history) - 1]->stage;

        return $this->plan->stage($key) ?? $this->plan->stages[0];
    }

    /** A character for each seed: calm, usual and hot ones. */
    private static function temper(int $seed): Temper
    {
        return match ($seed % 3) {
            0 => new Temper(capacity: 0.8, irritability: 0.4, soreness: 2.0, noise: 0.3, diligence: 0.95),
            1 => new Temper(),
            default => new Temper(capacity: 0.6, irritability: 1.2, soreness: 4.0, noise: 0.7, diligence: 0.8),
        };
    }

    private static function time(Day $day, int $hour): Moment
    {
        return Moment::fromDateTime(
            new DateTimeImmutable($day->toIso() . sprintf(' %02d:00:00', $hour), new DateTimeZone('UTC')),
        );
    }
}
