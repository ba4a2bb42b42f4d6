<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Participation;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\CriterionType;
use Rung\Core\Words\PlanWords;

/** Each criterion of a gate on both sides of its limit: now, on an earlier day, and on the first day to come. */
final class CriteriaTest extends TestCase
{
    public function testDaysInTheStage(): void
    {
        $evidence = new MadeUpEvidence();
        self::assertSame(
            ['met 20', 'not_yet 19'],
            [
                $evidence->says(self::criterion(['type' => 'days_in_stage', 'min' => 20])),
                $evidence->says(self::criterion(['type' => 'days_in_stage', 'min' => 20]), 19),
            ],
        );
        self::assertSame(
            [20, 23],
            [
                $evidence->first(self::criterion(['type' => 'days_in_stage', 'min' => 20])),
                $evidence->first(self::criterion(['type' => 'days_in_stage', 'min' => 23])),
            ],
        );
        self::assertCount(21, $evidence->looksAt(self::criterion(['type' => 'days_in_stage', 'min' => 23])));
    }

    public function testPainInExercise(): void
    {
        $low = self::criterion(['type' => 'exercise_pain', 'max' => 3, 'days' => 7, 'min_sessions' => 2]);
        // Day 13 is eight days ago and looked at no more; day 14 is.
        $evidence = (new MadeUpEvidence())->done(13, 9)->done(14, 3)->done(18, 2);
        self::assertSame('met 3', $evidence->says($low));
        self::assertSame('not_yet 9', $evidence->says($low, 19), 'a day earlier the nine was within the week');
        self::assertSame([14 => true, 18 => true], $evidence->looksAt($low));
        self::assertSame('not_yet 4', (new MadeUpEvidence())->done(14, 4)->done(18, 2)->says($low));
        self::assertSame(
            'no_data 2',
            (new MadeUpEvidence())->done(18, 2)->done(19, null)->says($low),
            'pain that was not entered is no reading',
        );
        self::assertSame('no_data', (new MadeUpEvidence())->says($low));
        // Over the limit on day 16: gone on day 23, if then two sessions have been done that hurt little.
        $over = (new MadeUpEvidence())->done(16, 5)->plan(21)->plan(22);
        self::assertSame(23, $over->first($low));
        self::assertNull(
            (new MadeUpEvidence())->done(16, 5)->plan(21)->first($low),
            'one session is not enough, and no more is planned',
        );
    }

    public function testPainUnderLoad(): void
    {
        $loaded = self::criterion([
            'type' => 'loaded_pain',
            'prescription' => 'press',
            'min_load_kg' => 40,
            'max' => 3,
            'days' => 7,
            'min_sessions' => 1,
        ]);
        $at = static fn(int|float ...$loads): array => array_values(
            array_map(static fn(int|float $kg): LoggedSet => new LoggedSet(reps: 8, load_kg: $kg), $loads),
        );
        self::assertSame('met 3', (new MadeUpEvidence())->done(18, 3, $at(40, 42.5))->says($loaded));
        self::assertSame(
            'no_data',
            (new MadeUpEvidence())->done(18, 3, $at(40, 37.5))->says($loaded),
            'every set needs the load',
        );
        self::assertSame(
            'no_data',
            (new MadeUpEvidence())->done(18, 3)->says($loaded),
            'a session without a set of it is no evidence',
        );
        self::assertSame(
            'not_yet 4',
            (new MadeUpEvidence())->done(17, 4, $at(40))->done(18, 1, $at(40))->says($loaded),
        );
        self::assertSame(21, (new MadeUpEvidence())->plan(21)->first($loaded), 'the dose in force has the load');
        self::assertNull(
            (new MadeUpEvidence())->plan(21)->first(
                self::criterion([
                    'type' => 'loaded_pain',
                    'prescription' => 'press',
                    'min_load_kg' => 42.5,
                    'max' => 3,
                    'days' => 7,
                    'min_sessions' => 1,
                ]),
            ),
        );
    }

    public function testTheMorningTest(): void
    {
        $low = self::criterion(['type' => 'provocation', 'max' => 3, 'days' => 7, 'min_readings' => 3]);
        $evidence = (new MadeUpEvidence())->score(13, 8)->score(14, 3)->score(17, 2)->score(20, 1);
        self::assertSame('met 3', $evidence->says($low));
        self::assertSame([14 => true, 17 => true, 20 => true], $evidence->looksAt($low));
        self::assertSame('no_data 2', (new MadeUpEvidence())->score(17, 2)->score(20, 1)->says($low));
        $high = (new MadeUpEvidence())->score(18, 4)->score(19, 1)->score(20, 1);
        self::assertSame(
            ['not_yet 4', [18 => false, 19 => true, 20 => true]],
            [$high->says($low), $high->looksAt($low)],
        );
        self::assertSame(25, $high->first($low), 'a week after the four');
        self::assertSame(22, (new MadeUpEvidence())->first($low), 'three mornings, today among them');
        self::assertSame(22, (new MadeUpEvidence())->score(20, 1)->first($low), 'today was answered already');
    }

    public function testDaysWithoutTooMuch(): void
    {
        $clean = self::criterion(['type' => 'clean_days', 'min' => 7, 'min_sessions' => 2]);
        self::assertSame('met 8', (new MadeUpEvidence())->done(12, 1, tooMuch: true)->done(15)->done(18)->says($clean));
        self::assertSame('not_yet 6', (new MadeUpEvidence())->done(14, 1, tooMuch: true)->done(18)->says($clean));
        self::assertSame('no_data 20', (new MadeUpEvidence())->done(18)->says($clean), 'one session cannot tell');
        self::assertSame(
            'no_data 20',
            (new MadeUpEvidence())->done(17)->done(18, pending: true)->says($clean),
            'an answer that has yet to come does not count',
        );
        self::assertSame(
            20,
            (new MadeUpEvidence())->done(17)->done(18, pending: true)->first($clean),
            'but may, on the next morning that can answer',
        );
        self::assertSame(21, (new MadeUpEvidence())->score(20, 1)->done(17)->done(18, pending: true)->first($clean));
        self::assertSame(
            21,
            (new MadeUpEvidence())->done(17)->done(20, pending: true)->first($clean),
            'today’s session is answered tomorrow at the earliest',
        );
        self::assertSame(23, (new MadeUpEvidence())->done(16, 1, tooMuch: true)->done(18)->plan(22)->first($clean));
        self::assertSame(
            [16 => false, 18 => true],
            (new MadeUpEvidence())->done(10)->done(16, 1, tooMuch: true)->done(18)->looksAt($clean),
        );
    }

    public function testSymmetry(): void
    {
        $even = self::criterion(['type' => 'symmetry', 'test' => 'knee', 'min_percent' => 90]);
        self::assertSame(
            ['met 90', 'not_yet 89.8'],
            [
                (new MadeUpEvidence())->test(10, 360, 400)->says($even),
                (new MadeUpEvidence())->test(10, 359, 400)->says($even),
            ],
        );
        self::assertSame(
            'met 125',
            (new MadeUpEvidence())->test(10, 500, 400)->says($even),
            'the treated side may be the stronger',
        );
        self::assertSame(
            'not_yet 80',
            (new MadeUpEvidence(true))->test(10, 500, 400)->says($even),
            'of two treated sides the weaker is compared with the stronger',
        );
        self::assertSame(
            'met 95',
            (new MadeUpEvidence())->test(10, 300, 400)->test(15, 380, 400)->says($even),
            'the newest counts',
        );
        self::assertSame(
            'not_yet 75',
            (new MadeUpEvidence())->test(10, 300, 400)->test(15, 380, 400)->says($even, 14),
            'and did not on the day before it',
        );
        $recent = self::criterion(['type' => 'symmetry', 'test' => 'knee', 'min_percent' => 90, 'within_days' => 5]);
        self::assertSame(
            ['no_data', 'met 90'],
            [
                (new MadeUpEvidence())->test(15, 360, 400)->says($recent),
                (new MadeUpEvidence())->test(16, 360, 400)->says($recent),
            ],
        );
        self::assertSame(
            ['no_data', 'met 90'],
            [
                (new MadeUpEvidence())->test(-8, 360, 400)->says($even),
                (new MadeUpEvidence())->test(-7, 360, 400)->says($even),
            ],
            'four weeks where nothing is said',
        );
        self::assertSame(
            'no_data',
            (new MadeUpEvidence())
                ->test(10, 360, 400)
                ->says(self::criterion(['type' => 'symmetry', 'test' => 'hip', 'min_percent' => 90])),
        );
        self::assertSame([10 => true], (new MadeUpEvidence())->test(10, 360, 400)->looksAt($even));
        self::assertSame(20, (new MadeUpEvidence())->first($even), 'a test can be taken today');
    }

    public function testAValueAndAChangeOfATest(): void
    {
        $value = self::criterion(['type' => 'test_value', 'test' => 'knee', 'min' => 300]);
        self::assertSame(
            ['met 300', 'not_yet 299'],
            [
                (new MadeUpEvidence())->test(10, 300, 400)->says($value),
                (new MadeUpEvidence())->test(10, 299, 400)->says($value),
            ],
        );
        self::assertSame(
            'not_yet 250',
            (new MadeUpEvidence(true))->test(10, 300, 250)->says($value),
            'of two treated sides the smaller',
        );
        $change = self::criterion(['type' => 'test_change', 'test' => 'knee', 'min_percent' => 10]);
        self::assertSame(
            'met 10',
            (new MadeUpEvidence())->test(2, 300, 400)->test(9, 310, 400)->test(16, 330, 400)->says($change),
            'against the first, not the one before',
        );
        self::assertSame('not_yet 9.7', (new MadeUpEvidence())->test(2, 300, 400)->test(16, 329, 400)->says($change));
        self::assertSame('no_data', (new MadeUpEvidence())->test(16, 330, 400)->says($change), 'one test is no change');
        self::assertSame(
            'no_data',
            (new MadeUpEvidence())->test(2, 0, 400)->test(16, 330, 400)->says($change),
            'nothing to compare with',
        );
    }

    public function testAScore(): void
    {
        $bound = self::criterion(['type' => 'outcome', 'measure' => 'score', 'min' => 80]);
        self::assertSame(
            ['met 80', 'not_yet 79'],
            [
                (new MadeUpEvidence())->outcome(3, 80)->says($bound),
                (new MadeUpEvidence())->outcome(3, 79)->says($bound),
            ],
        );
        $low = self::criterion(['type' => 'outcome', 'measure' => 'score', 'max' => 2]);
        self::assertSame(
            ['met 2', 'not_yet 3'],
            [(new MadeUpEvidence())->outcome(3, 2)->says($low), (new MadeUpEvidence())->outcome(3, 3)->says($low)],
        );
        $gain = self::criterion(['type' => 'outcome_gain', 'measure' => 'score', 'min' => 10, 'better' => 'higher']);
        self::assertSame(
            ['met 10', 'not_yet 9'],
            [
                (new MadeUpEvidence())->outcome(1, 60)->outcome(9, 70)->says($gain),
                (new MadeUpEvidence())->outcome(1, 60)->outcome(9, 69)->says($gain),
            ],
        );
        self::assertSame('no_data', (new MadeUpEvidence())->outcome(9, 70)->says($gain));
        $less = self::criterion(['type' => 'outcome_gain', 'measure' => 'score', 'min' => 2, 'better' => 'lower']);
        self::assertSame(
            ['met 2', 'not_yet -1'],
            [
                (new MadeUpEvidence())->outcome(1, 6)->outcome(9, 4)->says($less),
                (new MadeUpEvidence())->outcome(1, 6)->outcome(9, 7)->says($less),
            ],
        );
        self::assertSame([9 => false], (new MadeUpEvidence())->outcome(1, 6)->outcome(9, 7)->looksAt($less));
    }

    public function testASignature(): void
    {
        $signed = self::criterion(['type' => 'sign_off']);
        $evidence = (new MadeUpEvidence())->sign(12);
        self::assertSame(
            ['met 1', 'met 1', 'not_yet 0'],
            [$evidence->says($signed), $evidence->says($signed, 12), $evidence->says($signed, 11)],
        );
        self::assertSame([[12 => true], []], [$evidence->looksAt($signed), (new MadeUpEvidence())->looksAt($signed)]);
        self::assertTrue($signed->isByHand());
        self::assertFalse(self::criterion(['type' => 'days_in_stage', 'min' => 7])->isByHand());
    }

    public function testASportInFull(): void
    {
        $sport = self::criterion(['type' => 'sport_sessions', 'min' => 2]);
        $evidence = (new MadeUpEvidence())
            ->done(12, sport: Participation::Full)
            ->done(14, sport: Participation::Partial)
            ->done(16, tooMuch: true, sport: Participation::Full);
        self::assertSame('not_yet 1', $evidence->says($sport), 'in part, or too much, is not in full');
        self::assertSame([12 => true, 14 => false, 16 => false], $evidence->looksAt($sport));
        self::assertNull($evidence->plan(21)->first($sport), 'exercises are no practice');
        self::assertSame(23, $evidence->plan(22, slot: 'act')->first($sport), 'the morning after');
        self::assertSame('met 2', $evidence->done(18, sport: Participation::Full)->says($sport));
    }

    public function testSessionsDone(): void
    {
        $most = self::criterion(['type' => 'adherence', 'min_percent' => 75, 'days' => 10]);
        $evidence = (new MadeUpEvidence())
            ->plan(9, false)
            ->plan(11, true)
            ->plan(13, true)
            ->plan(15, true)
            ->plan(17, false)
            ->plan(20, false);
        self::assertSame('met 75', $evidence->says($most), 'ten days back, today not yet');
        self::assertSame('not_yet 60', $evidence->says($most, 19), 'a day earlier the one that was missed counted');
        self::assertSame([11 => true, 13 => true, 15 => true, 17 => false], $evidence->looksAt($most));
        self::assertSame('no_data', (new MadeUpEvidence())->says($most));
        self::assertSame(
            'not_yet 66',
            (new MadeUpEvidence())->plan(11, true)->plan(13, true)->plan(15, false)->says($most),
            'rounded down',
        );
        self::assertSame(
            21,
            (new MadeUpEvidence())->plan(14, true)->plan(15, true)->plan(16, false)->plan(20, false)->first($most),
        );
    }

    public function testSetsThatReachADose(): void
    {
        $sets = static fn(int $count, int $reps, int|float|null $load = 40, ?int $rir = null): array => array_fill(
            0,
            $count,
            new LoggedSet(reps: $reps, load_kg: $load, rir: $rir),
        );
        $reached = self::criterion([
            'type' => 'reached',
            'prescription' => 'press',
            'sets' => 3,
            'reps' => 8,
            'load_kg' => 40,
        ]);
        self::assertSame('met 3', (new MadeUpEvidence())->done(12, 1, $sets(3, 8))->says($reached));
        self::assertSame(
            'not_yet 2',
            (new MadeUpEvidence())->done(12, 1, [...$sets(2, 8), ...$sets(1, 7)])->says($reached),
        );
        self::assertSame('not_yet 0', (new MadeUpEvidence())->done(12, 1, $sets(3, 8, 37.5))->says($reached));
        self::assertSame(
            'no_data',
            (new MadeUpEvidence())->done(12, 1, $sets(3, 8), tooMuch: true)->says($reached),
            'only what was well tolerated',
        );
        self::assertSame(
            'not_yet 2',
            (new MadeUpEvidence())->done(12, 1, $sets(2, 8))->done(14, 1, $sets(1, 8))->says($reached),
            'in one session',
        );
        $reserve = self::criterion(['type' => 'reached', 'prescription' => 'press', 'sets' => 1, 'rir_min' => 2]);
        self::assertSame(
            ['met 1', 'not_yet 0'],
            [
                (new MadeUpEvidence())->done(12, 1, $sets(1, 5, null, 2))->says($reserve),
                (new MadeUpEvidence())->done(12, 1, $sets(1, 5, null, 1))->says($reserve),
            ],
        );
        self::assertNull((new MadeUpEvidence())->plan(21)->first($reserve), 'what is left in reserve nobody plans');
        self::assertSame(
            22,
            (new MadeUpEvidence())->plan(21)->first($reached),
            'the dose in force reaches it, on the morning after',
        );
        self::assertNull(
            (new MadeUpEvidence())
                ->plan(21)
                ->first(self::criterion(['type' => 'reached', 'prescription' => 'press', 'sets' => 3, 'reps' => 9])),
        );
        self::assertNull(
            (new MadeUpEvidence())->plan(21, slot: 'hold')->first($reached),
            'another kind of session has no place for it',
        );
    }

    /** Whatever is met today can be met today; and nothing is met sooner than it can be. */
    public function testWhatIsMetCanBeMet(): void
    {
        $met = 0;
        for ($seed = 1; $seed <= 300; $seed++) {
            mt_srand($seed);
            $evidence = new MadeUpEvidence(mt_rand(0, 3) === 0);
            for ($day = 0; $day <= MadeUpEvidence::TODAY; $day++) {
                mt_rand(0, 2) === 0
                    ? $evidence->done(
                        $day,
                        mt_rand(0, 4),
                        [new LoggedSet(reps: mt_rand(6, 10), load_kg: mt_rand(35, 45))],
                        tooMuch: mt_rand(0, 9) === 0,
                    )
                    : null;
                mt_rand(0, 1) === 0 ? $evidence->score($day, mt_rand(0, 4)) : null;
                $evidence->plan($day, mt_rand(0, 2) > 0);
            }
            $evidence->test(mt_rand(0, 20), mt_rand(300, 400), 400)->outcome(mt_rand(0, 20), mt_rand(60, 100));
            foreach (self::some() as $criterion) {
                if ($criterion->on($evidence, $evidence->today())->state === CriterionState::Met) {
                    $met++;
                    self::assertSame(
                        MadeUpEvidence::TODAY,
                        $evidence->first($criterion),
                        "case $seed, {$criterion->type()->value}",
                    );
                }
            }
        }
        self::assertGreaterThan(500, $met);
    }

    public function testEveryTypeIsReadWrittenAndSaid(): void
    {
        $types = [];
        foreach (self::some() as $criterion) {
            $types[] = $criterion->type()->value;
            self::assertEquals($criterion, self::criterion($criterion->toArray()), $criterion->type()->value);
            self::assertNotSame('', PlanWords::criterion($criterion));
        }
        self::assertEqualsCanonicalizing(
            array_column(CriterionType::cases(), 'value'),
            array_values(array_unique($types)),
        );
        $this->expectException(InvalidInput::class);
        self::criterion(['type' => 'outcome', 'measure' => 'score', 'min' => 1, 'max' => 2]);
    }

    /** @return list<Criterion> one of every type */
    private static function some(): array
    {
        return array_map(self::criterion(...), [
            ['type' => 'days_in_stage', 'min' => 14],
            ['type' => 'exercise_pain', 'max' => 3, 'days' => 7, 'min_sessions' => 2],
            [
                'type' => 'loaded_pain',
                'prescription' => 'press',
                'min_load_kg' => 38,
                'max' => 3,
                'days' => 14,
                'min_sessions' => 1,
            ],
            ['type' => 'provocation', 'max' => 3, 'days' => 5, 'min_readings' => 2],
            ['type' => 'clean_days', 'min' => 5, 'min_sessions' => 1],
            ['type' => 'symmetry', 'test' => 'knee', 'min_percent' => 90],
            ['type' => 'test_value', 'test' => 'knee', 'min' => 350, 'within_days' => 14],
            ['type' => 'test_change', 'test' => 'knee', 'min_percent' => 0],
            ['type' => 'reached', 'prescription' => 'press', 'sets' => 1, 'reps' => 8, 'load_kg' => 40],
            ['type' => 'sport_sessions', 'min' => 1],
            ['type' => 'adherence', 'min_percent' => 60],
            ['type' => 'outcome', 'measure' => 'score', 'min' => 80],
            ['type' => 'outcome_gain', 'measure' => 'score', 'min' => 0, 'better' => 'higher'],
            ['type' => 'sign_off'],
        ]);
    }

    /** @param array<string, mixed> $fields */
    private static function criterion(array $fields): Criterion
    {
        return Json::read((string) json_encode($fields), Criterion::read(...));
    }
}
