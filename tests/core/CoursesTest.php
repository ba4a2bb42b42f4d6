<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Dose\Mode;
use Rung\Core\Exercise\Position;
use Rung\Core\Record\Structure;

/** A programme played forward does over weeks what its school does. */
final class CoursesTest extends TestCase
{
    use PlaysProgrammes;

    public function testTheKneeComesToASpringOnOneLegAndToARun(): void
    {
        $played = self::played('knee_four_stage', 'patellar_tendon', 'jumping', 20);
        self::assertLessThanOrEqual(10, self::from($played, 'slow'));
        $deep = array_values(
            array_filter(
                $played['changes'],
                static fn(array $other): bool => $other['prescription'] === 'press' &&
                    $other['dose']['range']['to_deg'] === 90,
            ),
        );
        self::assertLessThanOrEqual(40, $deep[0]['day'] ?? 99);
        $springs = self::from($played, 'springs');
        $maxima = [];
        foreach ($played['changes'] as $change) {
            if ($change['prescription'] === 'press' && $change['day'] < $springs) {
                $maxima[] = [$change['day'], $change['dose']['reps']];
            }
        }
        for ($i = 1; $i < count($maxima); $i++) {
            self::assertGreaterThanOrEqual($maxima[$i - 1][1] - 3, $maxima[$i][1], 'one step at a time');
        }
        self::assertLessThanOrEqual(9, $maxima[count($maxima) - 1][1] ?? 15, 'nine at most when springs begin');
        $byTwelve = [];
        foreach ($played['weeks'] as $week) {
            array_push($byTwelve, ...$week['week'] <= 12 ? array_column($week['exercises'], 'exercise') : []);
        }
        self::assertContains('one_leg_hop', $byTwelve);
        self::assertNotEmpty(
            array_filter(
                $byTwelve,
                static fn(string $key): bool => Support::catalogue()->exercise($key)->mode === Mode::Running,
            ),
            'and a run',
        );
        self::assertLessThanOrEqual(110, self::from($played, 'act'));
        self::assertNotNull($played['ended_day']);
    }

    public function testHeavyHoldsGrowForTwelveWeeks(): void
    {
        $played = self::played('heavy_holds', 'patellar_tendon', 'running', 14);
        self::assertGreaterThanOrEqual(84, $played['ended_day']);
        self::assertLessThanOrEqual(90, $played['ended_day']);
        $seconds = 0;
        foreach (self::week($played, 1)['exercises'] as $exercise) {
            self::assertSame(70, $exercise['dose']['percent_mvc']);
            self::assertGreaterThanOrEqual(30, $exercise['least']);
            $seconds += $exercise['dose']['sets'] * ($exercise['dose']['hold_to_s'] + $exercise['dose']['rest_s']);
        }
        self::assertLessThanOrEqual(600, $seconds, 'two exercises take ten minutes at most');
        $loads = array_values(array_unique(self::loads($played, 'heavy_a')));
        self::assertGreaterThanOrEqual(3, count($loads), 'the load grew at least twice');
        self::assertSame($loads, self::sorted($loads));
    }

    public function testASoreTendonBeginsHeavyHoldsALittleLowerAndIsThereInThreeWeeks(): void
    {
        foreach ([['rest' => 2, 'test' => 4], ['rest' => 5, 'test' => 6]] as $found) {
            $played = self::played('heavy_holds', 'patellar_tendon', 'running', 6, ['irritability' => $found]);
            self::assertSame(
                [60, 60],
                array_column(array_column(self::week($played, 1)['exercises'], 'dose'), 'percent_mvc'),
            );
            self::assertSame(
                [70, 70],
                array_column(array_column(self::week($played, 3)['exercises'], 'dose'), 'percent_mvc'),
                'by day 21',
            );
        }
    }

    public function testALoadThatWasFoundIsAskedForWhenARaiseIsTakenBack(): void
    {
        $played = self::played('heavy_holds', 'patellar_tendon', 'running', 8, [
            'athlete' => ['kind' => 'steady', 'flares' => [['day' => 20, 'rise' => 3]]],
        ]);
        $found = self::week($played, 1)['exercises'][1];
        self::assertArrayNotHasKey('load_kg', $found['dose'], 'no load out of the air');
        self::assertGreaterThan(0, $found['load_kg']);
        $eased = array_values(
            array_filter(
                $played['changes'],
                static fn(array $change): bool => $change['kind'] === 'ease' && $change['prescription'] === 'heavy_b',
            ),
        );
        self::assertSame($found['load_kg'], $eased[0]['dose']['load_kg']);
    }

    public function testHoldsStrengthThenARunOfHalfAnHour(): void
    {
        $played = self::played('hold_strength_speed', 'achilles_midportion', 'running', 20);
        $run = self::from($played, 'run');
        self::assertGreaterThanOrEqual(36, $run);
        $before = self::week($played, intdiv($run - 2, 7) + 1)['exercises'][0]['dose'];
        self::assertSame(4, $before['sets']);
        self::assertSame(
            [1, 0, 1, 0],
            [
                $before['tempo']['lift_s'],
                $before['tempo']['top_s'],
                $before['tempo']['lower_s'],
                $before['tempo']['bottom_s'],
            ],
        );
        $runs = self::leasts($played, 'run');
        self::assertSame(1800, end($runs));
        self::assertSame($runs, self::sorted($runs));
        self::assertLessThanOrEqual(120, $played['ended_day']);
    }

    public function testTheSoleGetsHeavierFromBlockToBlock(): void
    {
        $played = self::played('sole_heavy_load', 'plantar_fascia', 'everyday', 14);
        foreach ([1 => [3, 12], 3 => [4, 10], 5 => [5, 8], 12 => [5, 8]] as $week => $dose) {
            $exercise = self::week($played, $week)['exercises'][0];
            self::assertSame('toe_raise_one_step', $exercise['exercise']);
            self::assertSame($dose, [$exercise['dose']['sets'], $exercise['dose']['reps']], "week $week");
        }
        $loads = self::loads($played, 'toe');
        self::assertGreaterThan($loads[2], $loads[3]);
        self::assertGreaterThan($loads[4], $loads[5]);
        self::assertGreaterThan(0, $loads[5]);

        $sore = self::played('sole_heavy_load', 'plantar_fascia', 'everyday', 14, [
            'irritability' => ['rest' => 1, 'test' => 3, 'settle_min' => 2000, 'stiffness_min' => 70],
        ]);
        self::assertSame('ready', $sore['stages'][0]['stage']);
        self::assertStringStartsWith('toe_raise_seated', self::week($sore, 1)['exercises'][0]['exercise']);
        self::assertSame('toe_raise_one_step', self::week($sore, 7)['exercises'][0]['exercise']);
        foreach ($sore['weeks'] as $week) {
            self::assertTrue(
                $week['stage'] !== 'ready' || $week['exercises'][0]['dose']['reps'] === 12,
                'the rung grows there, not the dose',
            );
        }
    }

    public function testTheHamstringComesToDeepBendBeforeSprings(): void
    {
        $played = self::played('hamstring_origin_four_stage', 'proximal_hamstring', 'running', 20, [
            'athlete' => ['kind' => 'steady', 'reserve' => 3],
        ]);
        self::assertLessThanOrEqual(30, self::from($played, 'deep'), 'fifteen bridges open the gate to the deep bend');
        $last = self::week($played, intdiv(self::from($played, 'springs') - 2, 7) + 1);
        $hinge = array_values(
            array_filter(
                $last['exercises'],
                static fn(array $exercise): bool => $exercise['prescription'] === 'o_hinge',
            ),
        )[0];
        self::assertSame(90, $hinge['dose']['range']['to_deg']);
        $growth = array_values(
            array_filter($played['changes'], static fn(array $change): bool => $change['prescription'] === 'o_hinge'),
        );
        self::assertSame(
            [60, 75, 90, 90],
            array_map(static fn(array $row): int => $row['dose']['range']['to_deg'], array_slice($growth, 0, 4)),
            'range before load',
        );
        self::assertSame(
            [0, 0, 0],
            array_map(static fn(array $row): mixed => $row['dose']['load_kg'], array_slice($growth, 0, 3)),
        );
    }

    public function testTheHeelStaysAboveTheFloorAtTheInsertion(): void
    {
        foreach (['running', 'everyday'] as $goal) {
            foreach ([self::LOW, ['rest' => 2, 'test' => 4], ['rest' => 5, 'test' => 6]] as $found) {
                $played = self::played('heel_insertion', 'achilles_insertion', $goal, 26, ['irritability' => $found]);
                foreach ($played['weeks'] as $week) {
                    foreach ($week['exercises'] as $exercise) {
                        self::assertNotContains(
                            Position::BelowFloor,
                            Support::catalogue()->exercise($exercise['exercise'])->positions,
                            $exercise['exercise'],
                        );
                    }
                }
            }
        }
    }

    public function testSlowLoweringIsAlwaysLiftedAndComesToThePack(): void
    {
        $played = self::played('heel_slow_lowering', 'achilles_midportion', 'everyday', 14);
        $seen = [];
        foreach ($played['weeks'] as $week) {
            foreach ($week['exercises'] as $exercise) {
                self::assertNotSame(
                    Mode::Eccentric,
                    Support::catalogue()->exercise($exercise['exercise'])->mode,
                    $exercise['exercise'],
                );
                $seen[$exercise['exercise']] ??= $week['week'];
            }
        }
        self::assertLessThanOrEqual(10, $seen['slow_lowering_one_pack'] ?? 99);
        self::assertLessThan(
            $seen['slow_lowering_one_pack'],
            $seen['slow_lowering_one'],
            'one leg comes before the pack',
        );
    }

    public function testTheGroinIsBuiltUpAndThenKeptWithLess(): void
    {
        $played = self::played('groin_build_and_keep', 'adductor', 'cutting', 30, [
            'purpose' => 'prevention',
            'athlete' => ['kind' => 'steady', 'gain_percent_a_week' => 1.5],
        ]);
        $work = static function (int $week) use ($played): int {
            $lift = array_values(
                array_filter(
                    self::week($played, $week)['exercises'],
                    static fn(array $exercise): bool => $exercise['exercise'] === 'adductor_lift_full',
                ),
            )[0];

            return $lift['dose']['sets'] * $lift['dose']['reps'];
        };
        self::assertLessThan($work(3), $work(1));
        self::assertLessThan($work(5), $work(3));
        self::assertLessThan($work(7), $work(5));
        $keep = self::from($played, 'keep');
        self::assertLessThanOrEqual(70, $keep);
        $weekly = static fn(int $week): int => $work($week) * self::week($played, $week)['sessions'];
        self::assertGreaterThan($weekly(intdiv($keep, 7) + 2), $weekly(intdiv(self::from($played, 'topup'), 7) + 2));

        $noStronger = self::played('groin_build_and_keep', 'adductor', 'cutting', 30, ['purpose' => 'prevention']);
        self::assertNotContains(
            'keep',
            array_column($noStronger['stages'], 'stage'),
            'who gets no stronger is not done with building',
        );
    }

    public function testTheBicepsGetsAllThreeFromTheFirstWeek(): void
    {
        $played = self::played('biceps_pulley', 'biceps_long_head', 'everyday', 8);
        self::assertSame(
            ['front_raise_bent', 'thumb_up_raise', 'curl_to_press'],
            array_column(self::week($played, 1)['exercises'], 'exercise'),
            'the hardest first',
        );
        $then = self::week($played, 6)['exercises'];
        $firmer = array_filter(
            self::week($played, 1)['exercises'],
            static fn(array $exercise, int $i): bool => ($then[$i]['load_kg'] ?? 0) > ($exercise['load_kg'] ?? 0) ||
                ($then[$i]['dose']['resistance'] ?? null) !== ($exercise['dose']['resistance'] ?? null),
            ARRAY_FILTER_USE_BOTH,
        );
        self::assertNotEmpty($firmer);
        self::assertGreaterThanOrEqual(42, $played['ended_day']);
    }

    public function testTheOuterElbowLiftsMoreInEveryBlock(): void
    {
        $played = self::played('outer_elbow_six_week', 'lateral_elbow', 'everyday', 7);
        $loads = self::loads($played, 'e_raise');
        self::assertGreaterThan($loads[1], $loads[3]);
        self::assertGreaterThan($loads[3], $loads[5]);
        self::assertContains('band_wrist_bend', array_column(self::week($played, 1)['exercises'], 'exercise'));
        $sore = self::played('outer_elbow_six_week', 'lateral_elbow', 'everyday', 2, [
            'irritability' => ['rest' => 3, 'test' => 4],
        ]);
        self::assertContains(
            'band_wrist_bend',
            array_column(self::week($sore, 1)['exercises'], 'exercise'),
            'from the first stage',
        );
    }

    public function testTheInnerElbowGrowsOverWeeks(): void
    {
        $request = ['available' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']];
        $played = self::played('inner_elbow_home', 'medial_elbow', 'everyday', 20, $request);
        $holds = self::leasts($played, 'n_hold');
        self::assertSame($holds, self::sorted($holds));
        self::assertLessThan(30, $holds[2]);
        self::assertSame(30, $holds[4], 'thirty seconds by the fourth week');
        $bar = self::leasts($played, 'n_bar');
        $five = array_search(300, $bar, true);
        self::assertGreaterThanOrEqual(8, $five);
        self::assertLessThanOrEqual(14, $five);
        self::assertGreaterThanOrEqual(84, $played['ended_day'], 'three months at least');
    }

    public function testPlayingHandsTwistLast(): void
    {
        $played = self::played('playing_hands', 'wrist_flexors_extensors', 'hands', 12);
        foreach (['m_up', 'm_down', 'm_thumb'] as $direction) {
            self::assertSame(20, max([0, ...self::leasts($played, $direction)]), "$direction has reached twenty");
        }
        $twists = array_keys(self::leasts($played, 'm_twist'));
        self::assertNotEmpty($twists);
        foreach (['m_up', 'm_down', 'm_thumb'] as $direction) {
            $full = array_filter(
                self::leasts($played, $direction),
                static fn(int|float|null $least): bool => $least === 20,
            );
            self::assertLessThanOrEqual(
                $twists[0],
                array_key_first($full),
                "$direction was full before the twist began",
            );
        }
        self::assertSame(range($twists[0], count($played['weeks'])), $twists, 'once begun it stays begun');
        self::assertLessThanOrEqual(8, $twists[0]);
    }

    public function testDailyLifeEndsWithoutAJump(): void
    {
        $played = self::played('knee_home_three_phase', 'patellar_tendon', 'everyday', 12);
        self::assertNotNull($played['ended_day']);
        foreach ($played['weeks'] as $week) {
            self::assertLessThanOrEqual(4, $week['sessions'], 'slow work on no two neighbouring days');
            foreach ($week['exercises'] as $exercise) {
                self::assertFalse(Support::catalogue()->exercise($exercise['exercise'])->mode->isSpringy());
            }
        }
    }

    public function testTheProvokedKneeAddsLoadTwiceAWeekUntilItIsCalm(): void
    {
        $played = self::played('knee_provoked_eccentric', 'patellar_tendon', 'jumping', 16);
        self::assertGreaterThanOrEqual(22, self::from($played, 'act'), 'three weeks at least');
        $perWeek = [];
        foreach ($played['changes'] as $change) {
            self::assertSame('add_load', $change['kind'], 'raised by load alone');
            $perWeek[intdiv($change['day'] - 1, 7)] = ($perWeek[intdiv($change['day'] - 1, 7)] ?? 0) + 1;
        }
        self::assertLessThanOrEqual(2, max([0, ...$perWeek]));
        foreach ($played['weeks'] as $week) {
            self::assertSame(
                $week['stage'] === 'act' ? [] : ['decline_eccentric'],
                array_column($week['exercises'], 'exercise'),
                'then the sport alone, no press',
            );
        }
        $wanted = self::played('knee_provoked_eccentric', 'patellar_tendon', 'jumping', 8, [
            'athlete' => ['kind' => 'steady', 'pain' => 6],
        ]);
        self::assertSame(
            [],
            array_filter($wanted['changes'], static fn(array $other): bool => $other['kind'] === 'add_load'),
            'pain within the band raises nothing',
        );
        self::assertNotContains('act', array_column($wanted['stages'], 'stage'), 'nor opens the gate');
    }

    public function testTheKneeInComfortGoesFromTwoLegsToOneAndToTheBox(): void
    {
        $sore = ['irritability' => ['rest' => 2, 'test' => 4]];
        $played = self::played('knee_comfort_led', 'patellar_tendon', 'jumping', 20, $sore);
        self::assertSame(['holds', 'slow', 'springs', 'act'], array_column($played['stages'], 'stage'));
        $hold = array_values(
            array_filter($played['changes'], static fn(array $change): bool => $change['prescription'] === 'c_hold'),
        );
        self::assertSame('leg_press_hold', $hold[0]['exercise'] ?? null, 'from two legs, with which it begins, to one');
        self::assertSame(
            [30, 45],
            [$hold[0]['dose']['hold_s'] ?? null, $hold[0]['dose']['hold_to_s'] ?? null],
            'in the same corridor',
        );
        self::assertContains('one_leg_hop', array_column($played['changes'], 'exercise'));
        $painful = self::played(
            'knee_comfort_led',
            'patellar_tendon',
            'jumping',
            8,
            $sore + ['athlete' => ['kind' => 'steady', 'pain' => 2]],
        );
        self::assertSame(
            [],
            array_filter($painful['changes'], static fn(array $change): bool => $change['kind'] === 'progress'),
            'only while it does not hurt',
        );
    }

    public function testTheHeelIsPacedAtEveryRung(): void
    {
        $played = self::played('heel_paced', 'achilles_midportion', 'running', 14);
        $rungs = [];
        foreach ($played['weeks'] as $week) {
            $exercise = $week['exercises'][0];
            $rungs[] = $exercise['exercise'];
            self::assertSame(3, $exercise['dose']['sets']);
            self::assertSame(
                [3, 0, 4, 0],
                [
                    $exercise['dose']['tempo']['lift_s'],
                    $exercise['dose']['tempo']['top_s'],
                    $exercise['dose']['tempo']['lower_s'],
                    $exercise['dose']['tempo']['bottom_s'],
                ],
            );
            self::assertGreaterThanOrEqual(6, $exercise['least']);
            self::assertLessThanOrEqual(8, $exercise['least']);
        }
        self::assertSame('heel_raise_one_pack', end($rungs));
        self::assertSame(21, self::week($played, 2)['sessions'], 'three times a day');
        $order = array_values(
            array_unique(
                array_column(
                    array_filter($played['changes'], static fn(array $change): bool => $change['kind'] === 'progress'),
                    'exercise',
                ),
            ),
        );
        self::assertSame(
            ['heel_raise_two_floor', 'heel_raise_one_floor', 'heel_raise_one_pack'],
            $order,
            'range, one leg, pack',
        );
    }

    public function testTheEarlyShoulderMovesNoLongLever(): void
    {
        $played = self::played('cuff_early', 'supraspinatus', 'throwing', 12);
        self::assertCount(7, self::week($played, 1)['exercises']);
        self::assertGreaterThanOrEqual(42, $played['ended_day']);
        foreach ($played['weeks'] as $week) {
            foreach ($week['exercises'] as $exercise) {
                $done = Support::catalogue()->exercise($exercise['exercise']);
                self::assertFalse(
                    $done->mode->isMoving() && in_array(Position::LongLeverArm, $done->positions, true),
                    $done->key,
                );
            }
        }
        $holds = self::leasts($played, 'c_wall');
        self::assertSame(30, max([0, ...$holds]));
        self::assertContains('scapular_pull_one', array_column($played['changes'], 'exercise'));
        self::assertContains('rotation_helped_out', array_column($played['changes'], 'exercise'));
    }

    public function testTheCurlTurnsWithABandInEveryStep(): void
    {
        $played = self::played('curl_three_step', 'distal_biceps', 'everyday', 16, [
            'irritability' => ['rest' => 2, 'test' => 4],
        ]);
        self::assertSame(['holds', 'lowering', 'full'], array_column($played['stages'], 'stage'));
        foreach ($played['weeks'] as $week) {
            self::assertContains('supination_band', array_column($week['exercises'], 'exercise'));
        }
        self::assertSame(
            [3, 15],
            [self::week($played, 3)['exercises'][0]['dose']['sets'], self::leasts($played, 'k_low')[3]],
        );
        $full = self::loads($played, 'k_full');
        self::assertNotContains(null, $full, 'found in the room');
        self::assertNotEmpty($full);
    }

    public function testTheStrainedMuscleIsHeldForItself(): void
    {
        foreach (['calf_muscle', 'hamstring_muscle', 'quadriceps_muscle', 'adductor_muscle'] as $muscle) {
            $played = self::played('muscle_return', $muscle, 'running', 12, [
                'irritability' => ['rest' => 2, 'test' => 4],
            ]);
            self::assertSame(['holds', 'slow', 'fast', 'act'], array_column($played['stages'], 'stage'), $muscle);
            self::assertNotNull($played['ended_day'], $muscle);
            foreach (self::week($played, 1)['exercises'] as $exercise) {
                self::assertNotNull(
                    Support::catalogue()->exercise($exercise['exercise'])->loads(Structure::from($muscle)),
                    $exercise['exercise'],
                );
            }
        }
    }

    public function testTheHeelGoesTwoUpAndTwoDownFromTheFirstDay(): void
    {
        $first = self::week(self::played('hold_strength_speed', 'achilles_midportion', 'running', 3), 2)[
            'exercises'
        ][0]['dose'];
        self::assertSame([2, 2], [$first['tempo']['lift_s'], $first['tempo']['lower_s']]);
        $knee = self::week(self::played('hold_strength_speed', 'patellar_tendon', 'running', 3), 2)['exercises'][0][
            'dose'
        ];
        self::assertSame([3, 3], [$knee['tempo']['lift_s'], $knee['tempo']['lower_s']]);
    }

    public function testTheShoulderGetsFirmerBandsAndTheWristSmallSteps(): void
    {
        $shoulder = self::played('hold_strength_speed', 'supraspinatus', 'running', 20);
        $bands = array_values(
            array_unique(
                array_filter(
                    array_map(
                        static fn(array $change): ?string => $change['dose']['resistance'] ?? null,
                        $shoulder['changes'],
                    ),
                ),
            ),
        );
        self::assertSame(['thin', 'thin, one step out', 'medium'], array_slice($bands, 0, 3));
        self::assertSame(
            [],
            array_filter(
                array_map(static fn(array $change): mixed => $change['dose']['load_kg'] ?? null, $shoulder['changes']),
            ),
            'never kilograms on a band',
        );
        $wrist = array_values(
            array_unique(self::loads(self::played('hold_strength_speed', 'lateral_elbow', 'running', 20), 'run_slow')),
        );
        for ($i = 1; $i < count($wrist); $i++) {
            self::assertSame(0.25, $wrist[$i] - $wrist[$i - 1]);
        }
        self::assertGreaterThan(1, count($wrist));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function courses(): iterable
    {
        yield 'heavy holds' => ['heavy_holds', 'patellar_tendon', 'running'];
        yield 'holds, strength, speed' => ['hold_strength_speed', 'achilles_midportion', 'running'];
        yield 'slow load' => ['heel_slow_load', 'achilles_midportion', 'running'];
        yield 'slow lowering' => ['heel_slow_lowering', 'achilles_midportion', 'running'];
        yield 'the insertion' => ['heel_insertion', 'achilles_insertion', 'running'];
        yield 'hamstring' => ['hamstring_origin_four_stage', 'proximal_hamstring', 'running'];
        yield 'biceps' => ['biceps_pulley', 'biceps_long_head', 'everyday'];
        yield 'inner elbow' => ['inner_elbow_home', 'medial_elbow', 'everyday'];
        yield 'hands' => ['playing_hands', 'wrist_flexors_extensors', 'hands'];
        yield 'knee in four stages' => ['knee_four_stage', 'patellar_tendon', 'jumping'];
        yield 'raising the arm' => ['cuff_raise', 'supraspinatus', 'throwing'];
        yield 'the sole' => ['sole_heavy_load', 'plantar_fascia', 'everyday'];
        yield 'outer elbow' => ['outer_elbow_six_week', 'lateral_elbow', 'everyday'];
        yield 'knee, provoked' => ['knee_provoked_eccentric', 'patellar_tendon', 'jumping'];
        yield 'heel, paced' => ['heel_paced', 'achilles_midportion', 'running'];
        yield 'heel, twice a day' => ['heel_twice_daily_eccentric', 'achilles_midportion', 'running'];
        yield 'early shoulder' => ['cuff_early', 'supraspinatus', 'throwing'];
        yield 'curl' => ['curl_three_step', 'distal_biceps', 'everyday'];
        yield 'knee at home' => ['knee_home_three_phase', 'patellar_tendon', 'jumping'];
    }

    #[DataProvider('courses')]
    public function testOneFlareIsEasedAndMadeGood(string $programme, string $structure, string $goal): void
    {
        $calm = self::played($programme, $structure, $goal, 40);
        $flared = self::played($programme, $structure, $goal, 40, [
            'athlete' => ['kind' => 'steady', 'flares' => [['day' => 20, 'rise' => 3]]],
        ]);
        $easing = array_filter(
            $flared['changes'],
            static fn(array $change): bool => in_array($change['kind'], ['ease', 'step_down', 'within'], true) &&
                $change['day'] >= 20 &&
                $change['day'] <= 22,
        );
        self::assertNotEmpty($easing, 'eased within two days');
        self::assertNotNull($calm['ended_day']);
        self::assertNotNull($flared['ended_day'], 'one flare does not keep anybody for good');
        self::assertLessThanOrEqual($calm['ended_day'] + 28, $flared['ended_day']);
    }

    #[DataProvider('courses')]
    public function testMoreInReserveIsNeverSlower(string $programme, string $structure, string $goal): void
    {
        $ends = array_map(
            static fn(int $reserve): ?int => self::played($programme, $structure, $goal, 40, [
                'athlete' => ['kind' => 'steady', 'reserve' => $reserve],
            ])['ended_day'],
            [2, 4],
        );
        self::assertNotNull($ends[1]);
        self::assertLessThanOrEqual($ends[0], $ends[1]);
    }
}
