<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Gate\CriterionOutlook;
use Rung\Core\Gate\GateOutlook;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Participation;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\EvidenceDay;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Words\GateWords;

/** The gate along time: the earliest day, since when, and on which days (docs/rules.md, "The gate in time"). */
final class GateInTimeTest extends TestCase
{
    private const CASES = 120;

    /** The earliest day is the day: played to it as hoped for, the criterion is met, and not a day sooner. */
    public function testTheEarliestDayIsTheFirstOnWhichACriterionIsMetIfAllGoesWell(): void
    {
        $checked = 0;
        foreach (range(1, self::CASES) as $seed) {
            $file = self::planned(RandomCase::withSeed($seed));
            $now = Moment::fromIso(Support::NOW);
            $evaluation = Evaluator::evaluate($file, $now);
            foreach ($evaluation->outlooks() as $i => $outlook) {
                $criterion = $outlook->result->criterion;
                $type = $criterion->type();
                self::assertSame(
                    $outlook->result->state === CriterionState::Met,
                    $outlook->since !== null,
                    "case $seed, {$type->value}",
                );
                if ($outlook->earliest === null || $criterion->isByHand()) {
                    continue;
                }
                $days = $outlook->earliest->daysSince($evaluation->log->today);
                $played = self::hoped($file, $evaluation, $days);
                $state = static fn(int $day): CriterionState => Evaluator::evaluate(
                    $played,
                    self::evening($evaluation, $day),
                )->gate->criteria[$i]->state;
                self::assertSame(
                    CriterionState::Met,
                    $state($days),
                    "case $seed, {$type->value} on {$outlook->earliest->toIso()}",
                );
                if ($days > 0) {
                    self::assertNotSame(
                        CriterionState::Met,
                        $state($days - 1),
                        "case $seed, {$type->value} before {$outlook->earliest->toIso()}",
                    );
                    $checked++;
                }
            }
        }
        self::assertGreaterThan(self::CASES / 2, $checked);
    }

    public function testSinceWhenAndOnWhichDays(): void
    {
        $case = CaseBuilder::case()
            ->mornings(1, 12, 2)
            ->session(2, 5)
            ->session(4, 2)
            ->session(6, 1)
            ->gate(
                ['type' => 'exercise_pain', 'max' => 3, 'days' => 7, 'min_sessions' => 2],
                ['type' => 'days_in_stage', 'min' => 9],
                ['type' => 'provocation', 'max' => 1, 'days' => 5, 'min_readings' => 3],
            );
        [$pain, $days, $test] = $case->at(10, '20:00')->outlooks();
        $daysOf = static fn(CriterionOutlook $outlook): array => array_map(
            static fn(EvidenceDay $day): string => $day->on->toIso() . ($day->fits ? '' : ' not'),
            $outlook->days,
        );
        // The five of the second falls out of seven days on the ninth.
        self::assertSame(
            ['2026-03-09', null, ['2026-03-04', '2026-03-06']],
            [$pain->since?->toIso(), $pain->earliest, $daysOf($pain)],
        );
        self::assertSame('2026-03-10', $days->since?->toIso());
        // Twos up to the tenth; ones could come from the eleventh on, and the window holds none of the twos on the fifteenth.
        self::assertSame(['2026-03-15', 1], [$test->earliest?->toIso(), $test->distance()]);
        self::assertSame('1 point over', GateWords::distance($test));
        self::assertSame(
            ['2026-03-06 not', '2026-03-07 not', '2026-03-08 not', '2026-03-09 not', '2026-03-10 not'],
            $daysOf($test),
        );
        self::assertSame(
            '2026-03-15',
            GateOutlook::earliestOpen([$pain, $days, $test], Day::fromIso('2026-03-10'))?->toIso(),
        );

        $early = $case->at(5, '20:00')->outlooks()[0];
        self::assertSame(['2026-03-02 not', '2026-03-04'], $daysOf($early));
        self::assertSame([2, '2 points over'], [$early->distance(), GateWords::distance($early)]);
        self::assertNull($early->earliest, 'nothing is planned that could bring two sessions');
    }

    public function testADoseIsReachedOnlyWhenWhatIsInForceReachesIt(): void
    {
        $reached = ['type' => 'reached', 'prescription' => 'press', 'sets' => 3, 'reps' => 8, 'load_kg' => 50];
        $planned = ['planned' => [['id' => 'p', 'on' => '2026-03-12', 'slot' => 'x']]];
        $case = CaseBuilder::case()->mornings(1, 10, 1)->session(4)->gate($reached)->with($planned);
        [$short] = $case->at(10)->outlooks();
        self::assertSame([null, '3 sets short'], [$short->earliest, GateWords::distance($short)]);
        $heavy = $case->press(['dose' => ['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'load_kg' => 50]]);
        self::assertSame(
            '2026-03-13',
            $heavy->at(10)->outlooks()[0]->earliest?->toIso(),
            'the morning after the planned session',
        );
        self::assertSame(
            'Sets of 8 at 50 kg well tolerated: 0, at least 3',
            ucfirst(GateWords::criterion($short->result)),
        );
    }

    /** With a calendar that reaches as far as a day is looked for. */
    private static function planned(CaseFile $file): CaseFile
    {
        $today = $file->timezone->dayOf(Moment::fromIso(Support::NOW));
        $kept = array_values(
            array_filter($file->planned, static fn(PlannedSession $planned): bool => !$planned->on->isAfter($today)),
        );
        $slots = array_values(array_unique(array_column($file->planned, 'slot'))) ?: ['hold'];
        for ($i = 1; $i <= GateOutlook::AHEAD_DAYS; $i++) {
            $kept[] = new PlannedSession("ahead-$i", $today->plus($i), $slots[$i % count($slots)]);
        }

        return $file->with(['planned' => $kept]);
    }

    /** The case as it would go on if every planned session were done and well tolerated, and every morning answered with 0. */
    private static function hoped(CaseFile $file, Evaluation $evaluation, int $days): CaseFile
    {
        $log = $evaluation->log;
        $begun = array_column(
            array_filter($log->started, static fn(Session $session): bool => $session->planned !== null),
            'planned',
        );
        $sessions = $log->started;
        $mornings = $log->checkIns;
        $answered = array_map(
            static fn(CheckIn $checkIn): int => $file->timezone->dayOf($checkIn->at)->number,
            $log->scored,
        );
        for ($day = 0; $day <= $days; $day++) {
            $on = $log->today->plus($day);
            $at = static fn(string $time): Moment => Moment::fromIso($on->toIso() . "T$time:00+01:00");
            if ($day > 0 || !in_array($on->number, $answered, true)) {
                $mornings[] = new CheckIn("m$day", $at($day > 0 ? '07:00' : '12:30'), 0, 0);
            }
            foreach ($file->planned as $planned) {
                if ($planned->on->number !== $on->number || in_array($planned->id, $begun, true)) {
                    continue;
                }
                $due = array_filter(
                    $log->stage->prescriptions,
                    static fn(Prescription $prescription): bool => ($prescription->slot ?? $planned->slot) ===
                        $planned->slot,
                );
                $sessions[] = new Session(
                    "h-$planned->id",
                    $log->stage->key,
                    $due === [] ? SessionKind::Sport : SessionKind::Loading,
                    $at('13:00'),
                    $at('13:30'),
                    $due === []
                        ? [new Entry(null, [], 0)]
                        : array_values(
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
                                    $prescription->minPain() ?? 0,
                                ),
                                $due,
                            ),
                        ),
                    $planned->id,
                    $due === [] ? Participation::Full : null,
                    settled_min: 0,
                );
            }
        }

        return $file->with(['sessions' => $sessions, 'check_ins' => $mornings]);
    }

    private static function evening(Evaluation $evaluation, int $day): Moment
    {
        return Moment::fromIso($evaluation->log->today->plus($day)->toIso() . 'T23:30:00+01:00');
    }
}
