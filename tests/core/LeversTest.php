<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\EasierDose;
use Rung\Core\Decision\NextDose;
use Rung\Core\Decision\NextStep;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\Json;
use Rung\Core\Record\LoggedSet;

/** Each lever on both sides of its bound, and what makes a dose easier, the least that helps first. */
final class LeversTest extends TestCase
{
    private const TEMPO = ['lift_s' => 3, 'top_s' => 0, 'lower_s' => 3, 'bottom_s' => 1, 'starts' => 'lower'];

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>|null}> lever, dose, what differs after the step; null: no room */
    public static function levers(): iterable
    {
        yield 'hold' => [['lever' => 'hold', 'to' => 45, 'step' => 10], ['hold_s' => 30], ['hold_s' => 40]];
        yield 'hold, up to its bound' => [
            ['lever' => 'hold', 'to' => 45, 'step' => 10],
            ['hold_s' => 40],
            ['hold_s' => 45],
        ];
        yield 'hold, at its bound' => [['lever' => 'hold', 'to' => 45, 'step' => 10], ['hold_s' => 45], null];
        yield 'hold, of a dose without' => [['lever' => 'hold', 'to' => 45], [], null];
        yield 'hold, which is the corridor' => [
            ['lever' => 'hold', 'to' => 45],
            ['hold_s' => 20, 'hold_to_s' => 30],
            null,
        ];
        yield 'repetitions, by one where nothing is said' => [
            ['lever' => 'reps', 'to' => 12],
            ['reps' => 8],
            ['reps' => 9],
        ];
        yield 'repetitions, at their bound' => [['lever' => 'reps', 'to' => 12], ['reps' => 12], null];
        yield 'repetitions, beyond their bound' => [['lever' => 'reps', 'to' => 12], ['reps' => 15], null];
        yield 'repetitions, which are the corridor' => [
            ['lever' => 'reps', 'to' => 15],
            ['reps' => 8, 'reps_to' => 12],
            null,
        ];
        yield 'sets beside a corridor of repetitions' => [
            ['lever' => 'sets', 'to' => 4],
            ['reps' => 8, 'reps_to' => 12],
            ['sets' => 4],
        ];
        yield 'sets, at their bound' => [['lever' => 'sets', 'to' => 3], [], null];
        yield 'work' => [['lever' => 'work', 'to' => 1800, 'step' => 300], ['work_s' => 900], ['work_s' => 1200]];
        yield 'work, at its bound' => [['lever' => 'work', 'to' => 1800, 'step' => 300], ['work_s' => 1800], null];
        yield 'percent' => [
            ['lever' => 'percent', 'to' => 70, 'step' => 10],
            ['percent_mvc' => 65],
            ['percent_mvc' => 70],
        ];
        yield 'percent, of a dose without' => [['lever' => 'percent', 'to' => 70], [], null];
        yield 'height' => [['lever' => 'height', 'to' => 30, 'step' => 5], ['height_cm' => 20], ['height_cm' => 25]];
        yield 'height, at its bound' => [['lever' => 'height', 'to' => 30, 'step' => 5], ['height_cm' => 30], null];
        yield 'range' => [
            ['lever' => 'range', 'to' => 90, 'step' => 20],
            ['range' => ['from_deg' => 10, 'to_deg' => 80]],
            ['range' => ['from_deg' => 10, 'to_deg' => 90]],
        ];
        yield 'range, at its bound' => [
            ['lever' => 'range', 'to' => 90, 'step' => 20],
            ['range' => ['from_deg' => 10, 'to_deg' => 90]],
            null,
        ];
        yield 'a faster lowering' => [
            ['lever' => 'tempo', 'phase' => 'lower_s', 'to' => 1, 'step' => 1],
            ['tempo' => self::TEMPO],
            ['tempo' => ['lower_s' => 2] + self::TEMPO],
        ];
        yield 'a slower lowering, up to its bound' => [
            ['lever' => 'tempo', 'phase' => 'lower_s', 'to' => 4, 'step' => 3],
            ['tempo' => self::TEMPO],
            ['tempo' => ['lower_s' => 4] + self::TEMPO],
        ];
        yield 'a lowering at its bound' => [
            ['lever' => 'tempo', 'phase' => 'lower_s', 'to' => 3, 'step' => 1],
            ['tempo' => self::TEMPO],
            null,
        ];
        yield 'a tempo of a dose without' => [['lever' => 'tempo', 'phase' => 'lower_s', 'to' => 1], [], null];
        yield 'a firmer band' => [
            ['lever' => 'resistance', 'steps' => ['thin', 'medium', 'firm']],
            ['resistance' => 'thin'],
            ['resistance' => 'medium'],
        ];
        yield 'the firmest band' => [
            ['lever' => 'resistance', 'steps' => ['thin', 'medium', 'firm']],
            ['resistance' => 'firm'],
            null,
        ];
        yield 'a band that nobody listed' => [
            ['lever' => 'resistance', 'steps' => ['thin', 'medium', 'firm']],
            ['resistance' => 'red'],
            null,
        ];
        yield 'load, with repetitions set back' => [
            ['lever' => 'load', 'increment_kg' => 2.5, 'back' => ['reps' => 6]],
            ['load_kg' => 40, 'reps' => 8],
            ['load_kg' => 42.5, 'reps' => 6],
        ];
        yield 'load, up to its bound' => [
            ['lever' => 'load', 'increment_kg' => 2.5, 'to' => 42.5],
            ['load_kg' => 40],
            ['load_kg' => 42.5],
        ];
        yield 'load, over its bound' => [
            ['lever' => 'load', 'increment_kg' => 2.5, 'to' => 42],
            ['load_kg' => 40],
            null,
        ];
        yield 'a maximum of fewer repetitions, heavier by one step at least' => [
            ['lever' => 'rm', 'to' => 6, 'step' => 3, 'increment_kg' => 2.5],
            ['reps' => 15, 'rm' => 15, 'load_kg' => 40],
            ['reps' => 12, 'rm' => 12, 'load_kg' => 42.5],
        ];
        yield 'a maximum at its bound' => [
            ['lever' => 'rm', 'to' => 6, 'step' => 3, 'increment_kg' => 2.5],
            ['reps' => 6, 'rm' => 6, 'load_kg' => 60],
            null,
        ];
    }

    /**
     * @param array<string, mixed> $lever
     * @param array<string, mixed> $dose
     * @param array<string, mixed>|null $after
     */
    #[DataProvider('levers')]
    public function testALever(array $lever, array $dose, ?array $after): void
    {
        $prescription = self::prescription($dose, [$lever]);
        $step = (new NextDose(
            new MadeUpWork(
                sets: array_fill(
                    0,
                    3,
                    new LoggedSet(reps: $prescription->dose->reps, load_kg: $prescription->dose->load_kg),
                ),
            ),
        ))->progress($prescription);
        if ($after === null) {
            self::assertSame(
                [Change::NextRung, null],
                [$step->change, $step->dose],
                'nothing is left but the next rung',
            );

            return;
        }
        self::assertSame(Change::Dose, $step->change);
        self::assertEquals(array_replace($prescription->dose->toArray(), $after), $step->dose?->toArray());
    }

    public function testLeversAreTakenInTheirOrderOneAtATime(): void
    {
        $levers = [
            ['lever' => 'sets', 'to' => 4],
            ['lever' => 'reps', 'to' => 12],
            ['lever' => 'load', 'increment_kg' => 2.5],
        ];
        $words = '';
        $prescription = self::prescription(['sets' => 3, 'reps' => 11, 'load_kg' => 10], $levers);
        for ($i = 0; $i < 4; $i++) {
            $dose = (new NextDose(new MadeUpWork()))->progress($prescription)->dose;
            self::assertNotNull($dose);
            $words .= "$dose->sets × $dose->reps at $dose->load_kg; ";
            $prescription = $prescription->withDose($dose);
        }
        self::assertSame('4 × 11 at 10; 4 × 12 at 10; 4 × 12 at 12.5; 4 × 12 at 15; ', $words);
    }

    public function testTheLadderEndsWhereTheProgrammeOrTheAthleteEnds(): void
    {
        /** @param list<string> $ladder @param array<string, mixed>|null $lever */
        $on = static fn(array $ladder, ?array $lever = null): NextStep => (new NextDose(new MadeUpWork()))->progress(
            self::prescription([], $lever === null ? [] : [$lever], ['ladder' => $ladder]),
        );
        self::assertSame(
            [Change::NextRung, 'split_squat'],
            [$on(['box_squat', 'squat', 'split_squat'])->change, $on(['box_squat', 'squat', 'split_squat'])->to],
        );
        self::assertSame(Change::AtTop, $on(['box_squat', 'squat'])->change);
        self::assertSame(Change::AtTop, $on(['box_squat', 'squat'], ['lever' => 'rung'])->change);
        self::assertSame(
            Change::NextRung,
            $on(['squat', 'split_squat'], ['lever' => 'rung', 'to' => 'split_squat'])->change,
        );
    }

    public function testNothingIsRaisedThatWasNotDoneOrHasToWait(): void
    {
        $step = static fn(MadeUpWork $work, array $dose = []): Change => (new NextDose($work))->progress(
            self::prescription($dose, [['lever' => 'sets', 'to' => 4]]),
        )->change;
        self::assertSame(Change::NotDone, $step(new MadeUpWork(done: false)));
        self::assertSame(
            Change::Growing,
            $step(new MadeUpWork(done: false), ['reps' => 8, 'reps_to' => 12]),
            'within a corridor it goes on by itself',
        );
        self::assertSame(Change::Waiting, $step(new MadeUpWork(waiting: true)));
        self::assertSame(Change::Dose, $step(new MadeUpWork()));
    }

    public function testAWeekGrowsByNoMoreThanTheSchoolAllows(): void
    {
        // 3 × 8 at 40 kg are 960 kg; one set more is a third more, one repetition more an eighth.
        $step = static fn(MadeUpWork $work, array $lever): Change => (new NextDose($work))->progress(
            self::prescription(['load_kg' => 40], [$lever]),
        )->change;
        $heavier = ['lever' => 'load', 'increment_kg' => 2.5];
        self::assertSame(
            Change::Dose,
            $step(new MadeUpWork(changed: false, base: 960, heaviest: 40), ['lever' => 'sets', 'to' => 4]),
            'the first step of a week is always allowed',
        );
        self::assertSame(
            Change::HoldAtCap,
            $step(new MadeUpWork(changed: true, base: 960, heaviest: 40), ['lever' => 'sets', 'to' => 4]),
        );
        self::assertSame(
            Change::Dose,
            $step(new MadeUpWork(changed: true, base: 960, heaviest: 40), $heavier),
            '42.5 is 6 % over 40',
        );
        self::assertSame(
            Change::HoldAtCap,
            $step(new MadeUpWork(changed: true, base: 960, heaviest: 38), $heavier),
            'and 12 % over 38',
        );
        self::assertSame(
            Change::Dose,
            $step(new MadeUpWork(changed: true, base: 0, heaviest: 0), $heavier),
            'nothing to compare with',
        );
    }

    public function testLoadIsAddedTwiceAWeekAtMost(): void
    {
        $add = static fn(MadeUpWork $work, array $lever, array $dose = ['load_kg' => 5]): NextStep => (new NextDose(
            $work,
        ))->addLoad(self::prescription($dose, [$lever]));
        $lever = ['lever' => 'load', 'increment_kg' => 5];
        self::assertSame(
            10,
            $add(new MadeUpWork(done: false), $lever)->dose?->load_kg,
            'pain that is wanted and not there is reason enough',
        );
        self::assertSame(Change::HoldAtCap, $add(new MadeUpWork(addedTwice: true), $lever)->change);
        self::assertSame(Change::NextRung, $add(new MadeUpWork(), ['to' => 8] + $lever)->change);
        self::assertSame(Change::NotDone, $add(new MadeUpWork(done: false), ['to' => 8] + $lever)->change);
    }

    /** @return iterable<string, array{array<string, mixed>, list<array<string, mixed>>, MadeUpWork, string}> */
    public static function eases(): iterable
    {
        $range = ['range' => ['from_deg' => 10, 'to_deg' => 60]];
        yield 'what was raised last is taken back' => [[], [], new MadeUpWork(raisedLast: true), 'back 2 × 8'];
        yield 'the range, where it is a lever' => [
            $range,
            [['lever' => 'range', 'to' => 90, 'step' => 20]],
            new MadeUpWork(),
            'dose 3 × 8 to 40°',
        ];
        yield 'the range, where it hurts at its end' => [
            $range,
            [],
            new MadeUpWork(hurtAtTheEnd: true),
            'dose 3 × 8 to 50°',
        ];
        yield 'not the range, where nobody says that it hurts there' => [
            $range,
            [],
            new MadeUpWork(),
            'dose 2 × 8 to 60°',
        ];
        yield 'not a range that is no wider than the step' => [
            ['range' => ['from_deg' => 40, 'to_deg' => 60]],
            [['lever' => 'range', 'to' => 90, 'step' => 20]],
            new MadeUpWork(),
            'dose 2 × 8 to 60°',
        ];
        yield 'the lower end of the corridor' => [['reps_to' => 12], [], new MadeUpWork(above: true), 'within_range'];
        yield 'a set' => [['sets' => 3], [], new MadeUpWork(), 'dose 2 × 8'];
        yield 'a thinner band' => [
            ['sets' => 2, 'resistance' => 'medium'],
            [['lever' => 'resistance', 'steps' => ['thin', 'medium']]],
            new MadeUpWork(),
            'dose 2 × 8 thin',
        ];
        yield 'a lower step' => [
            ['sets' => 2, 'height_cm' => 20],
            [['lever' => 'height', 'to' => 30, 'step' => 5]],
            new MadeUpWork(),
            'dose 2 × 8 15 cm',
        ];
        yield 'a tenth of the weight, down to a step' => [
            ['sets' => 2, 'load_kg' => 40],
            [['lever' => 'load', 'increment_kg' => 2.5]],
            new MadeUpWork(),
            'dose 2 × 8 at 35',
        ];
        yield 'never nothing of a weight' => [
            ['sets' => 2, 'load_kg' => 3],
            [['lever' => 'load', 'increment_kg' => 2.5]],
            new MadeUpWork(),
            'dose 2 × 8 at 2.5',
        ];
        yield 'then repetitions' => [
            ['sets' => 2, 'load_kg' => 2.5],
            [['lever' => 'load', 'increment_kg' => 2.5]],
            new MadeUpWork(),
            'dose 2 × 6 at 2.5',
        ];
        yield 'repetitions where there is no weight' => [['sets' => 2], [], new MadeUpWork(), 'dose 2 × 6'];
        yield 'then the rung below' => [['sets' => 2, 'reps' => 1], [], new MadeUpWork(), 'previous_rung box_squat'];
    }

    /**
     * @param array<string, mixed> $dose
     * @param list<array<string, mixed>> $levers
     */
    #[DataProvider('eases')]
    public function testWhatMakesADoseEasier(array $dose, array $levers, MadeUpWork $work, string $expected): void
    {
        $before = ['exercise' => 'squat', 'dose' => ['sets' => 2, 'reps' => 8, 'rest_s' => 60]];
        $step = (new EasierDose($work))->ease(
            self::prescription($dose, $levers, ['ladder' => ['box_squat', 'squat'], 'before' => $before]),
        );
        self::assertSame($expected, self::said($step));
    }

    public function testAStepDownLeavesTheRungFirst(): void
    {
        $work = new MadeUpWork();
        $down = static fn(array $dose, array $ladder): string => self::said(
            (new EasierDose($work))->stepDown(
                self::prescription($dose, [['lever' => 'load', 'increment_kg' => 2.5]], ['ladder' => $ladder]),
            ),
        );
        self::assertSame('previous_rung box_squat', $down(['load_kg' => 40], ['box_squat', 'squat']));
        self::assertSame(
            'dose 3 × 8 at 35',
            $down(['load_kg' => 40], ['squat', 'split_squat']),
            'on the lowest rung a lighter dose',
        );
        self::assertSame('at_bottom', $down(['load_kg' => 2.5, 'reps' => 1], ['squat', 'split_squat']));
    }

    public function testAHoldAndTimedWorkAreMadeShorter(): void
    {
        $ease = static fn(array $dose, Mode $mode): string => self::said(
            (new EasierDose(new MadeUpWork()))->ease(
                self::prescription(['sets' => 2] + $dose, [], ['mode' => $mode->value, 'ladder' => ['squat']]),
            ),
        );
        self::assertSame('dose 2 × 1 held 33', $ease(['reps' => 1, 'hold_s' => 45], Mode::Isometric));
        self::assertSame('dose 2 × 1 held 5', $ease(['reps' => 1, 'hold_s' => 6], Mode::Isometric));
        self::assertSame('at_bottom', $ease(['reps' => 1, 'hold_s' => 5], Mode::Isometric), 'not under five seconds');
        self::assertSame('dose 2 × 1 for 675', $ease(['reps' => 1, 'work_s' => 900], Mode::Running));
    }

    private static function said(NextStep $step): string
    {
        $dose = $step->dose;

        return $step->change->value .
            ($step->change === Change::PreviousRung ? " $step->to" : '') .
            ($dose === null
                ? ''
                : " $dose->sets × $dose->reps" .
                    ($dose->range === null ? '' : " to {$dose->range->to_deg}°") .
                    ($dose->resistance === null ? '' : " $dose->resistance") .
                    ($dose->height_cm === null ? '' : " $dose->height_cm cm") .
                    ($dose->load_kg === null ? '' : " at $dose->load_kg") .
                    ($dose->hold_s === null ? '' : " held $dose->hold_s") .
                    ($dose->work_s === null ? '' : " for $dose->work_s"));
    }

    /**
     * @param array<array-key, mixed> $dose
     * @param array<array-key, mixed> $levers
     * @param array<string, mixed> $more
     */
    private static function prescription(array $dose, array $levers, array $more = []): Prescription
    {
        $isHold = isset($dose['hold_s']);
        $fields = $more + [
            'key' => 'one',
            'exercise' => 'squat',
            'mode' => $isHold ? 'isometric' : (isset($dose['work_s']) ? 'running' : 'isotonic'),
            'limbs' => 'each',
            'dose' => $dose + ['sets' => 3, 'reps' => $isHold || isset($dose['work_s']) ? 1 : 8, 'rest_s' => 60],
            'progression' => ['levers' => $levers],
        ];

        return Json::read((string) json_encode($fields), Prescription::read(...));
    }
}
