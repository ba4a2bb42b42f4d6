<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Acceptance\Flare;
use Rung\Core\Attention\WeekLoad;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Decision\Work;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Evaluation\SecondOpinions;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Prescribe\StageDraft;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Words\StageChangeWords;
use Rung\Core\Words\TodayWords;

/** What holds of prescribing by hand and of flares whatever the case: nothing changes unsaid, nothing grows, what rests is not asked for. */
final class ByHandTest extends TestCase
{
    private const CASES = 40;

    /** @return iterable<string, array{string, mixed}> every field of a dose, another value for it */
    public static function fields(): iterable
    {
        $values = [
            'sets' => 5,
            'reps' => 11,
            'hold_s' => 12,
            'work_s' => 90,
            'rest_s' => 45,
            'load_kg' => 17.5,
            'resistance' => 'the black band',
            'body_fraction' => 0.4,
            'contacts_per_rep' => 2,
            'height_cm' => 35,
            'rir' => 3,
            'reps_to' => 199,
            'hold_to_s' => 599,
            'work_to_s' => 900,
            'grow_by' => 2,
            'grow_after' => 3,
            'percent_mvc' => 55,
            'effort' => 4,
            'rm' => 13,
            'times_per_day' => 2,
            'beats_per_min' => 48,
            'tempo' => ['lift_s' => 2, 'top_s' => 1, 'lower_s' => 4, 'bottom_s' => 1, 'starts' => 'lower'],
            'range' => ['from_deg' => 20, 'to_deg' => 45],
        ];
        $known = array_map(
            static fn(\ReflectionParameter $reflectionParameter): string => $reflectionParameter->getName(),
            (new \ReflectionMethod(\Rung\Core\Dose\Dose::class, '__construct'))->getParameters(),
        );
        self::assertEqualsCanonicalizing($known, array_keys($values), 'a field of a dose is not tried here');
        foreach ($values as $field => $value) {
            yield $field => [$field, $value];
        }
    }

    #[DataProvider('fields')]
    public function testNoFieldOfADoseChangesUnsaid(string $field, mixed $value): void
    {
        $plan = Support::catalogue()->programme('knee_four_stage')->plan;
        $same = self::draft($plan, 'slow', static fn(array $row): array => $row);
        self::assertTrue(StageChangeWords::describe($same, Weekday::cases(), Support::catalogue())->isNone());
        // An upper end stands beside its lower one, and a step beside an upper end.
        $beside =
            [
                'hold_to_s' => ['hold_s' => 30],
                'work_to_s' => ['work_s' => 60],
                'grow_by' => ['reps_to' => 30],
                'grow_after' => ['reps_to' => 30],
            ][$field] ?? [];
        $changed = self::draft(
            $plan,
            'slow',
            static fn(array $row, int $i): array => $i === 0
                ? ['dose' => [$field => $value] + $beside + (array) $row['dose']] + $row
                : $row,
        );
        $note = StageChangeWords::describe($changed, Weekday::cases(), Support::catalogue())->note();
        $title = Support::catalogue()->titleOf($changed->stage->stage->prescriptions[0]->exercise);
        self::assertStringStartsWith("$title: ", $note);
        self::assertStringContainsString(is_array($value) ? '→' : (string) (is_scalar($value) ? $value : ''), $note);
        self::assertSame(
            $changed->stage->stage->prescriptions[0]->dose->toArray(),
            $changed->into($plan)->stage('slow')?->stage->prescriptions[0]->dose->toArray(),
        );
    }

    public function testSidesCuesPainLimitsOrderRhythmDaysAndKindsOfSessionDoNotChangeUnsaid(): void
    {
        $plan = Support::catalogue()->programme('knee_four_stage')->plan;
        $note = static fn(callable $change, array $more = []): string => StageChangeWords::describe(
            self::draft($plan, 'springs', $change, $more),
            Weekday::cases(),
            Support::catalogue(),
        )->note();
        $first = static fn(array $fields): callable => static fn(array $row, int $i): array => $i === 0
            ? $fields + $row
            : $row;
        $as = static fn(array $row): array => $row;
        foreach (
            [
                ' → the sore side' => $note($first(['limbs' => 'affected'])),
                'new cue' => $note($first(['cue' => 'Land without a sound'])),
                'other pain limits' => $note($first(['pain' => ['max' => 1]])),
                'now in ' => $note(static fn(array $row): array => ['slot' => 'hold'] + $row),
                'Days: Tue Sat' => $note($as, ['available' => ['sat', 'tue']]),
                'Rhythm: ' => $note($as, ['rhythm' => ['every_days' => 3]]),
                'The rest is over' => $note($as, ['ends_rest' => true]),
                'Left out: ' => $note(static fn(array $row, int $i): ?array => $i === 1 ? null : $row),
            ]
            as $words => $opinions
        ) {
            self::assertStringContainsString($words, $opinions);
        }
        $stage = $plan->stage('springs');
        self::assertNotNull($stage);
        $turned = Json::read(
            (string) json_encode([
                'stage' => 'springs',
                'prescriptions' => array_map(
                    static fn(Prescription $prescription): array => $prescription->toArray(),
                    array_reverse($stage->stage->prescriptions),
                ),
            ]),
            self::reader($plan),
        );
        self::assertStringStartsWith(
            'Order: ',
            StageChangeWords::describe($turned, Weekday::cases(), Support::catalogue())->note(),
        );
    }

    public function testNewKeysAreNeverThoseOfAnythingThatThePlanHasOrHad(): void
    {
        $plan = Support::catalogue()->programme('knee_four_stage')->plan;
        $all = $plan->prescriptions();
        foreach ($plan->stages as $stage) {
            if ($stage->stage->prescriptions === []) {
                continue;
            }
            $taken = array_column($all, 'key');
            $foreign = array_values(
                array_filter(
                    $all,
                    static fn(Prescription $prescription): bool => $stage->stage->prescription($prescription->key) ===
                        null,
                ),
            )[0];
            $slot = $stage->slots[0]->key;
            $added = [
                ['slot' => $slot] + $foreign->toArray(),
                ['key' => "$foreign->key-2", 'slot' => $slot] + $foreign->toArray(),
            ];
            $draft = Json::read(
                (string) json_encode([
                    'stage' => $stage->stage->key,
                    'prescriptions' => [
                        ...array_map(
                            static fn(Prescription $prescription): array => $prescription->toArray(),
                            $stage->stage->prescriptions,
                        ),
                        ...$added,
                    ],
                ]),
                self::reader($plan),
            );
            $keys = array_column($draft->into($plan)->prescriptions(), 'key');
            self::assertSame(count($all) + 2, count(array_unique($keys)));
            self::assertSame($taken, array_values(array_intersect($taken, $keys)));
        }
        self::assertSame('new', $plan->freeKey('new'));
        self::assertSame('new-3', $plan->freeKey('new', ['new', 'new-2']));
    }

    public function testAWeekAskedForWeighsWhatTheSameWeekWeighsOnceItIsDone(): void
    {
        foreach (self::evaluations() as $seed => $evaluation) {
            $asked = array_map(
                static fn(Prescription $prescription): array => [$prescription, 1],
                array_values($evaluation->log->stage->prescriptions),
            );
            $done = self::done($evaluation, $evaluation->log->stage->prescriptions);
            $logged = WeekLoad::ofSessions($evaluation->log, [$done])->toArray();
            self::assertEqualsWithDelta(
                $logged,
                WeekLoad::ofDoses($asked, 1, $evaluation->log->file->athlete->body_mass_kg)->toArray(),
                0.2,
                "case $seed",
            );
        }
    }

    /** @return iterable<string, array{Flare}> */
    public static function flares(): iterable
    {
        yield 'ease' => [new Flare(true, 0, 0, null)];
        yield 'rest' => [new Flare(false, 3, 0, null)];
        yield 'holds' => [new Flare(false, 0, 6, null)];
        yield 'all of it' => [new Flare(true, 2, 7, null)];
        yield 'a rest longer than the holds' => [new Flare(true, 7, 3, null)];
    }

    #[DataProvider('flares')]
    public function testAFlareNeverAddsWorkAndWhatRestsIsNotAskedFor(Flare $flare): void
    {
        foreach (self::evaluations() as $seed => $evaluation) {
            $plan = self::planOf($evaluation);
            $today = $evaluation->log->today;
            $key = $evaluation->log->stage->key;
            $step = Acceptance::flare($plan, $evaluation, Support::catalogue(), $flare);
            $after = $step->plan->stage($key);
            self::assertNotNull($after);
            $body = $evaluation->log->file->athlete->body_mass_kg;
            foreach ($plan->stage($key)->stage->prescriptions ?? [] as $before) {
                $now = $after->stage->prescription($before->key);
                self::assertNotNull($now, 'nothing is left out');
                $work = static fn(Prescription $prescription): int|float => Work::ofDose(
                    $prescription,
                    $prescription->dose,
                    $prescription->dose->load_kg ?? 0,
                    $body,
                );
                // What was raised last is taken back as it was: lighter or an easier rung, with its own repetitions.
                if ($before->before === null || $now->dose->toArray() !== $before->before->dose->toArray()) {
                    self::assertLessThanOrEqual($work($before), $work($now), "case $seed, $before->key");
                }
                if (!$flare->ease) {
                    self::assertEquals($before, $now);
                }
            }
            foreach (
                PlanCalendar::asked(
                    $step->plan,
                    $after,
                    $evaluation->log->stageFrom,
                    $today,
                    21,
                    Weekday::cases(),
                    [],
                    [],
                )
                as $placed
            ) {
                $due = array_filter(
                    $after->stage->prescriptions,
                    static fn(Prescription $prescription): bool => $prescription->slot === $placed->slot &&
                        !$step->plan->rests($prescription->key, $placed->on),
                );
                $in = $placed->on->daysSince($today);
                self::assertGreaterThanOrEqual($flare->restDays, $in, "case $seed: nothing before the rest is over");
                if ($in < $flare->holdsOnlyDays && $due !== []) {
                    self::assertSame(
                        [Mode::Isometric],
                        array_values(
                            array_unique(
                                array_map(static fn(Prescription $prescription): Mode => $prescription->mode, $due),
                                SORT_REGULAR,
                            ),
                        ),
                    );
                }
                self::assertTrue(
                    $due !== [] ||
                        array_filter(
                            $after->stage->prescriptions,
                            static fn(Prescription $prescription): bool => $prescription->slot === $placed->slot,
                        ) === [],
                    'a session with exercises has one to do',
                );
            }
            // What a flare brings to rest begins again on the given day, all of it, and at once where it is ended by hand.
            foreach ($after->stage->prescriptions as $prescription) {
                $until = $step->plan->restsUntil($prescription->key, $today);
                self::assertFalse($until !== null && $step->plan->rests($prescription->key, $until));
                self::assertFalse($step->plan->rested()->rests($prescription->key, $today));
            }
            self::assertEquals($step->plan, Plan::fromJson((string) json_encode($step->plan->toArray())));
        }
    }

    public function testEveryDayOfEveryProgrammeSaysWhyItIsWhatItIs(): void
    {
        $from = Day::fromIso('2026-04-13');
        $events = [$from->plus(10)];
        foreach (Support::catalogue()->programmes as $programme) {
            foreach ($programme->plan->stages as $stage) {
                $slots = [];
                foreach (PlanCalendar::from($stage, $from, $from, 28, Weekday::cases(), [], $events) as $placed) {
                    $slots[$placed->on->toIso()] ??= $placed->slot;
                }
                for ($i = 3; $i < 28; $i++) {
                    $on = $from->plus($i);
                    $why = TodayWords::why($programme->plan, $stage, $on, $slots, $events);
                    $slot = $stage->slot($slots[$on->toIso()] ?? null);
                    self::assertMatchesRegularExpression('/^[A-Z].*\.$/u', $why, $programme->key);
                    self::assertSame(
                        $slot === null,
                        str_starts_with($why, 'Rest'),
                        "$programme->key, {$stage->stage->key}, day $i: $why",
                    );
                    if (str_starts_with($why, 'Holds')) {
                        self::assertSame(Mode::Isometric, $slot?->mode);
                    }
                    if (str_starts_with($why, 'Springs')) {
                        self::assertTrue($slot?->mode->isSpringy());
                        self::assertGreaterThan(1, abs($i - 10), 'never the day before, of or after an event');
                    }
                }
            }
        }
    }

    public function testWhereTheSchoolsPartEverySchoolSpeaksOnce(): void
    {
        $schools = Support::catalogue()->schools;
        $parted = 0;
        foreach (range(1, 12) as $seed) {
            $opinions = SecondOpinions::compare(
                RandomCase::withSeed($seed),
                Moment::fromIso(Support::NOW),
                $schools,
            )->toArray();
            foreach ($opinions['parts'] as $part) {
                $parted++;
                self::assertGreaterThan(1, count($part['verdicts']));
                self::assertEqualsCanonicalizing(array_keys($schools), array_merge(...array_values($part['verdicts'])));
            }
        }
        self::assertGreaterThan(20, $parted);
    }

    /** @return iterable<int, Evaluation> */
    private static function evaluations(): iterable
    {
        foreach (range(1, self::CASES) as $seed) {
            yield $seed => Evaluator::evaluate(RandomCase::withSeed($seed), Moment::fromIso(Support::NOW));
        }
    }

    /** The programme's plan with the doses that the case has come to. */
    private static function planOf(Evaluation $evaluation): Plan
    {
        $plan = Support::catalogue()->programme('knee_four_stage')->plan;

        return $plan->mapStages(
            static fn(PlanStage $stage): PlanStage => $stage->withStage(
                $evaluation->log->file->stage($stage->stage->key) ?? $stage->stage,
            ),
        );
    }

    /** @param list<Prescription> $prescriptions */
    private static function done(Evaluation $evaluation, array $prescriptions): Session
    {
        $at = $evaluation->log->at;

        return new Session(
            'done',
            $evaluation->log->stage->key,
            SessionKind::Loading,
            $at,
            $at,
            array_map(
                static fn(Prescription $prescription): Entry => new Entry(
                    $prescription->key,
                    array_fill(
                        0,
                        $prescription->dose->sets,
                        new LoggedSet(
                            $prescription->dose->reps,
                            $prescription->dose->hold_s,
                            $prescription->dose->work_s,
                            $prescription->dose->load_kg,
                        ),
                    ),
                    1,
                ),
                $prescriptions,
            ),
        );
    }

    /**
     * @param callable(array<string, mixed>, int): (array<string, mixed>|null) $change of each prescription
     * @param array<array-key, mixed> $more
     */
    private static function draft(Plan $plan, string $stage, callable $change, array $more = []): StageDraft
    {
        $before = $plan->stage($stage);
        assert($before instanceof PlanStage);
        $asked = array_map(
            static fn(Prescription $prescription, int $i): ?array => $change($prescription->toArray(), $i),
            $before->stage->prescriptions,
            array_keys($before->stage->prescriptions),
        );

        return Json::read(
            (string) json_encode($more + ['stage' => $stage, 'prescriptions' => array_values(array_filter($asked))]),
            self::reader($plan),
        );
    }

    /** @return callable(ObjectNode): StageDraft */
    private static function reader(Plan $plan): callable
    {
        return static fn(
            ObjectNode $node,
        ): StageDraft => StageDraft::read($node, $plan, Support::catalogue(), Weekday::cases(), Day::fromIso('2026-04-14'), 64);
    }
}
