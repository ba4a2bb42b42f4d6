<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\Account;
use App\Models\CareCase;
use App\Models\Opening;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** Opening a case, from what was typed and left to the first weeks on the calendar. */
final class OpeningTest extends TestCase
{
    /**
     * @param array<string, mixed> $spoilt
     *
     * @return array<string, mixed>
     */
    public static function opening(array $spoilt = []): array
    {
        return array_replace(
            [
                'athlete' => [
                    'name' => 'Odile Marsh',
                    'act' => 'tumbler',
                    'body_mass_kg' => 59.5,
                    'email' => 'odile@ropewalk.example',
                ],
                'purpose' => 'rehab',
                'structure' => 'patellar_tendon',
                'side' => 'left',
                'goal' => 'jumping',
                'goal_on' => '2026-09-01',
                'programme' => 'knee_four_stage',
                'history' => 'Both knees last autumn',
                'load_change' => 'A week of double rehearsals',
                'aggravating' => 'Landings',
                'began_on' => '2026-03-01',
                'available' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
                'events' => ['2026-04-25'],
                'equipment' => ['leg extension', 'leg press'],
                'session_minutes' => 45,
                'training_days_per_week' => 2,
                'rest' => 2,
                'test' => 4,
                'settle_min' => 300,
                'stiffness_min' => 20,
                'risks' => [],
                'signs' => [],
                'no_signs' => true,
                'no_risks' => true,
                'screened' => true,
                'advice' => ['Half of the jumps'],
                'advice_until' => '2026-05-12',
                'strength' => ['affected' => 300, 'unaffected' => 400],
                'count' => ['affected' => 12, 'unaffected' => 20],
                'severity' => [
                    'name' => 'Knee score',
                    'lowest' => 0,
                    'highest' => 50,
                    'higher_is_better' => false,
                    'smallest_change' => 5,
                    'score' => 30,
                ],
            ],
            $spoilt,
        );
    }

    public function testACaseIsOpenedFromIntakeToTheFirstWeek(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'POST', '/api/start-proposals', self::opening())
            ->assertOk()
            ->assertJson([
                'irritability' => 'medium',
                'stage' => 'holds',
                'rung' => 'middle',
                'blocked' => false,
                'symmetry_percent' => 75,
            ])
            ->assertJsonPath(
                'words',
                'Medium irritability (pain at rest 2 of 10, test 4 of 10, settles in 300 min, stiff for 20 min), trains 2 days a week: begin at holds, middle rung, leg-extension hold at 60°, the sore side.',
            )
            ->assertJsonPath('choices.0.exercise', 'leg_extension_hold')
            ->assertJsonCount(14, 'calendar');
        $typed = $this->ask($own, 'POST', '/api/openings', ['step' => 1, 'form' => ['name' => 'Odile Marsh']])->json(
            'id',
        );
        $opened = $this->ask($own, 'POST', '/api/cases', self::opening(['draft' => $typed]))->assertStatus(201);
        self::assertIsString($opened->json('password'));

        $case = CareCase::query()->findOrFail(self::text($opened->json('id')));
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertOk()
            ->assertJsonPath('review_on', '2026-05-26')
            ->assertJsonPath('standing.stage.key', 'holds')
            ->assertJsonPath('standing.action', 'gather')
            ->assertJsonPath('strength_test.key', 'knee_extension_strength')
            ->assertJsonPath('tests.0.symmetry_percent', 75)
            ->assertJsonPath('advice.0', [
                'words' => 'Half of the jumps',
                'from' => '2026-04-14',
                'until' => '2026-05-12',
            ])
            ->assertJsonPath('intake.load_change', 'A week of double rehearsals')
            ->assertJsonPath('decisions.0.kind', 'open')
            ->assertJsonCount(7, 'coming');
        // What was typed is in the case now, and in nothing else.
        self::assertEquals(
            [(object) [], 0],
            [
                Opening::query()->findOrFail(self::text($typed))->form,
                count((array) $this->ask($own, 'GET', '/api/openings')->json('openings')),
            ],
        );

        $athlete = User::query()
            ->where('account_id', Account::findByEmail('odile@ropewalk.example')?->id)
            ->firstOrFail();
        $this->ask($athlete, 'GET', '/api/today')
            ->assertOk()
            ->assertJsonPath('cases.0.sessions.0.exercises.0.words', '5 × 45 s, 70 % of maximum')
            ->assertJsonPath('cases.0.sessions.0.exercises.0.load.source', 'to_find')
            ->assertJsonPath('cases.0.week', 'Week 1 of about 12')
            ->assertJsonPath('cases.0.morning.answered.0.provocation', 4)
            ->assertJsonPath('cases.0.advice', ['Half of the jumps']);
    }

    public function testASignBlocksUntilAReasonIsRecordedAndThenStaysInSight(): void
    {
        $own = $this->practitioner();
        $blocked = self::opening(['signs' => [['key' => 'night', 'why' => ' ']]]);
        $this->ask($own, 'POST', '/api/start-proposals', $blocked)
            ->assertOk()
            ->assertJson(['blocked' => true, 'stage' => null, 'words' => null, 'choices' => []])
            ->assertJsonPath(
                'blocked_by.0',
                'Night pain at rest that nothing explains: say why it is safe to go on, or refer',
            );
        $this->ask($own, 'POST', '/api/cases', $blocked)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['signs']);

        // Nothing is stepped over: no answer is none, and a word is no reason.
        $this->ask($own, 'POST', '/api/cases', self::opening(['no_signs' => false]))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['signs' => 'or “none of these”']);
        $this->ask($own, 'POST', '/api/cases', self::opening(['no_risks' => false]))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['risks' => 'or “none of these”']);
        foreach (['ok', 'Bone scan clear', 'aaaaaaaaaaaaaaaaaaaaaaaa', '1 2 3 4 5 6 7 8 9 10 11'] as $word) {
            $this->ask($own, 'POST', '/api/cases', self::opening(['signs' => [['key' => 'night', 'why' => $word]]]))
                ->assertStatus(422)
                ->assertJsonValidationErrors(['signs.0.why' => 'must be a sentence']);
        }

        $id = self::text(
            $this->ask(
                $own,
                'POST',
                '/api/cases',
                self::opening(['signs' => [['key' => 'night', 'why' => 'The bone scan was clear last week']]]),
            )->json('id'),
        );
        $this->ask($own, 'GET', "/api/cases/$id")->assertJsonPath('intake.signs.0', [
            'by' => 'Ola Vance',
            'on' => '2026-04-14',
            'key' => 'night',
            'why' => 'The bone scan was clear last week',
            'words' => 'Night pain at rest that nothing explains',
        ]);
    }

    public function testWhatIsTriedInTheRoomDecidesTheFirstRungAndStays(): void
    {
        $own = $this->practitioner();
        $tried = static fn(array ...$trials): array => self::opening(['trials' => $trials]);
        $hold = ['exercise' => 'wall_sit_high', 'hold_s' => 30, 'pain' => 2, 'reserve' => null];
        $this->ask($own, 'POST', '/api/start-proposals', self::opening())
            ->assertOk()
            ->assertJsonPath('choices.0.exercise', 'leg_extension_hold');
        $start = $this->ask($own, 'POST', '/api/start-proposals', $tried($hold))
            ->assertOk()
            ->assertJsonPath('choices.0.exercise', 'wall_sit_high');
        self::assertStringContainsString('begin at holds, by what was tried', self::text($start->json('words')));
        self::assertStringContainsString(
            'Tried in the room and tolerated (a hold of 30 s: pain 2 of 10)',
            self::text($start->json('choices.0.reasons.0')),
        );
        // The limit is that of the school: the low one allows less.
        $this->ask($own, 'POST', '/api/start-proposals', ['rule' => 'low'] + $tried(['pain' => 3] + $hold))
            ->assertOk()
            ->assertJsonPath('choices.0.exercise', 'leg_extension_hold');
        $this->ask(
            $own,
            'POST',
            '/api/start-proposals',
            ['rule' => 'low'] + $tried(['exercise' => 'leg_extension_hold', 'pain' => 3] + $hold),
        )
            ->assertOk()
            ->assertJsonPath('choices.0.exercise', 'straight_leg_lift');

        $this->ask($own, 'POST', '/api/start-proposals', $tried($hold))->assertJsonPath('stop_words', null);
        self::assertStringContainsString(
            'pain 8 of 10, the school\'s stop level: load nothing more today',
            self::text(
                $this->ask($own, 'POST', '/api/start-proposals', $tried(['pain' => 8] + $hold))->json('stop_words'),
            ),
        );
        foreach (
            [
                ['exercise', 'nothing', 'an exercise of the library'],
                ['pain', 11, 'from 0 to 10'],
                ['hold_s', null, 'one of the two'],
                ['load_kg', 1e9, '1000'],
            ]
            as [$field, $value, $fault]
        ) {
            $answer = $this->ask($own, 'POST', '/api/cases', $tried([$field => $value] + $hold))->assertStatus(422);
            self::assertStringContainsString($fault, (string) json_encode($answer->json('errors')), $field);
        }
        $id = self::text($this->ask($own, 'POST', '/api/cases', $tried($hold))->assertStatus(201)->json('id'));
        $this->ask($own, 'GET', "/api/cases/$id")
            ->assertJsonPath('intake.trials', ['Wall sit, high, a hold of 30 s: pain 2 of 10'])
            ->assertJsonPath('prescriptions.0.title', 'Wall sit, high');
    }

    public function testPreventionIsAChoiceOfItsOwnWithTheSeasonInView(): void
    {
        $own = $this->practitioner();
        $season = [
            'purpose' => 'prevention',
            'structure' => 'adductor',
            'programme' => 'groin_build_and_keep',
            'goal' => 'cutting',
            'equipment' => null,
            'began_on' => null,
            'load_change' => null,
            'aggravating' => null,
            'rest' => null,
            'test' => null,
            'settle_min' => null,
            'stiffness_min' => null,
            'season_from' => '2026-06-01',
            'season_until' => '2026-11-30',
            'strength' => null,
            'severity' => null,
        ];
        $prevention = self::opening($season);
        $this->ask($own, 'POST', '/api/start-proposals', $prevention)
            ->assertOk()
            ->assertJsonPath(
                'season_words',
                'The season begins in 6 weeks; this programme usually takes about 8. What is not built by then goes on beside it, away from its hardest days.',
            )
            ->assertJsonPath(
                'choices.0.reasons.0',
                'The usual beginning of the programme, loading the groin tendons directly.',
            );
        // The same findings in somebody whom it hurts begin as carefully as can be.
        self::assertStringContainsString(
            'The easiest rung',
            self::text(
                $this->ask($own, 'POST', '/api/start-proposals', ['purpose' => 'rehab'] + $prevention)
                    ->assertJsonPath('season_words', null)
                    ->json('choices.0.reasons.0'),
            ),
        );
        $this->ask($own, 'POST', '/api/cases', ['purpose' => null] + $prevention)
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('purpose');
        $this->ask($own, 'POST', '/api/cases', ['season_until' => '2026-06-01'] + $prevention)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['season_until' => 'after the day on which the season begins']);
        $this->ask($own, 'POST', '/api/cases', ['season_from' => null, 'season_until' => '2026-04-13'] + $prevention)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['season_until' => 'before today']);

        $id = self::text($this->ask($own, 'POST', '/api/cases', $prevention)->assertStatus(201)->json('id'));
        $this->ask($own, 'GET', "/api/cases/$id")
            ->assertJsonPath('intake.purpose', 'prevention')
            ->assertJsonPath('intake.season_from', '2026-06-01')
            ->assertJsonPath('standing.action', 'gather');
        self::assertSame('prevention', CareCase::query()->findOrFail($id)->purpose);
        // The season is kept up to date where the rest of the intake is.
        $intake = (array) $this->ask($own, 'GET', "/api/cases/$id/intake")
            ->assertJsonPath('season_until', '2026-11-30')
            ->json();
        $body =
            ['revision' => 0, 'goal' => 'cutting', 'season_from' => '2026-06-15', 'season_until' => '2026-11-30'] +
            array_intersect_key(
                $intake,
                array_flip(['history', 'goal_on', 'events', 'equipment', 'session_minutes', 'body_mass_kg', 'advice']),
            );
        $this->ask($own, 'PUT', "/api/cases/$id/intake", ['season_until' => '2026-06-15'] + $body)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['season_until' => 'after the day']);
        $this->ask($own, 'PUT', "/api/cases/$id/intake", $body)
            ->assertOk()
            ->assertJsonPath('words', 'Season from: 2026-06-01 → 2026-06-15');
    }

    public function testAGrowingJointIsAskedForWhereTheDateOfBirthSaysSo(): void
    {
        $own = $this->practitioner();
        $born = static fn(string $on): array => [
            'athlete' => ['name' => 'Odile Marsh', 'act' => 'tumbler', 'body_mass_kg' => 49.5, 'born_on' => $on],
        ];
        $this->ask($own, 'POST', '/api/start-proposals', self::opening($born('2010-05-01')))
            ->assertOk()
            ->assertJsonPath('growing_age', 15);
        $this->ask($own, 'POST', '/api/start-proposals', self::opening($born('2008-04-14')))
            ->assertOk()
            ->assertJsonPath('growing_age', null);
        foreach (
            ['2026-04-15' => 'last 120 years', '1901-01-01' => 'look at the year', '2010-02-30' => 'does not exist']
            as $wrong => $fault
        ) {
            $this->ask($own, 'POST', '/api/cases', self::opening($born($wrong)))
                ->assertStatus(422)
                ->assertJsonValidationErrors(['athlete.born_on' => $fault]);
        }
        $this->ask($own, 'POST', '/api/cases', self::opening($born('2010-05-01')))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['growth_checked' => 'press on the growth zone']);
        self::assertFalse(User::query()->where('name', 'Odile Marsh')->exists(), 'nothing is half stored');

        $id = self::text(
            $this->ask($own, 'POST', '/api/cases', self::opening(['growth_checked' => true] + $born('2010-05-01')))
                ->assertStatus(201)
                ->json('id'),
        );
        $this->ask($own, 'GET', "/api/cases/$id")
            ->assertJsonPath('intake.age', 15)
            ->assertJsonPath('intake.growth_checked', true);
        // A second case of the same athlete knows it, and asks again: another joint.
        $known = $this->ask($own, 'GET', '/api/athletes?name=odile')
            ->assertJsonPath('athletes.0.born_on', '2010-05-01')
            ->assertJsonPath('athletes.0.known', [
                'equipment' => ['leg extension', 'leg press'],
                'session_minutes' => 45,
                'available' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
            ])
            ->json('athletes.0.id');
        $second = [
            'athlete' => ['id' => $known],
            'structure' => 'achilles_midportion',
            'programme' => 'heel_slow_load',
        ];
        $this->ask($own, 'POST', '/api/cases', self::opening($second))
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('growth_checked');
        // Where it hurts, the sign is ticked, and says why it goes on.
        $this->ask(
            $own,
            'POST',
            '/api/cases',
            self::opening(
                [
                    'no_signs' => false,
                    'signs' => [['key' => 'growing', 'why' => 'Seen by the paediatrician, who agrees to holds']],
                ] + $second,
            ),
        )->assertStatus(201);
        // What is corrected later shows on the case.
        $older = CareCase::query()->findOrFail($id);
        $this->ask(
            $own,
            'PUT',
            "/api/cases/$id/intake",
            ['revision' => 0, 'goal' => 'jumping', 'body_mass_kg' => 49.5, 'born_on' => '2007-05-01'] +
                array_filter(['history' => $older->history]),
        )->assertOk();
        $this->ask($own, 'GET', "/api/cases/$id")
            ->assertJsonPath('intake.age', 18)
            ->assertJsonPath('intake.growth_checked', null);
    }

    public function testWithBothSidesAffectedEachTakesItsTurnInDosesTimesAndSums(): void
    {
        $own = $this->practitioner();
        $start = fn(string $side): \Illuminate\Testing\TestResponse => $this->ask(
            $own,
            'POST',
            '/api/start-proposals',
            self::opening(['side' => $side]),
        )->assertOk();
        [$one, $both] = [$start('left'), $start('both')];
        self::assertSame(
            ['the sore side', 'each side'],
            [$one->json('choices.0.limbs'), $both->json('choices.0.limbs')],
        );
        self::assertStringNotContainsString('sore side', self::text($both->json('words')));
        self::assertGreaterThan($one->json('sessions.0.minutes'), $both->json('sessions.0.minutes'));

        $id = self::text(
            $this->ask($own, 'POST', '/api/cases', self::opening(['side' => 'both']))->assertStatus(201)->json('id'),
        );
        $case = CareCase::query()->findOrFail($id);
        $figures = fn(): array => array_map(
            static fn(mixed $dose): array => is_array($dose) ? [$dose['limbs'], $dose['turns']] : [],
            (array) $this->ask($own, 'GET', "/api/cases/$id")->json('prescriptions'),
        );
        self::assertSame([['each', 2]], array_values(array_unique($figures(), SORT_REGULAR)));
        foreach ($case->plan()->prescriptions() as $prescription) {
            self::assertNotSame('affected', $prescription->limbs->value);
        }
        // What is prescribed later for one limb is counted for both as well: the sums before, the plan after.
        $plan = $this->ask($own, 'GET', "/api/cases/$id/plan");
        $prescriptions = array_map(static function (mixed $item): array {
            $dose = is_array($item) ? (array) $item['prescription'] : [];

            return ['limbs' => 'affected', 'dose' => ['sets' => 2] + (array) $dose['dose']] + $dose;
        }, (array) $plan->json('stages.0.prescriptions'));
        $body = ['stage' => 'holds', 'prescriptions' => $prescriptions];
        $sum = fn(string $limbs): mixed => $this->ask(
            $own,
            'POST',
            "/api/cases/$id/plan/preview",
            [
                'prescriptions' => array_map(
                    static fn(array $dose): array => ['limbs' => $limbs] + $dose,
                    $prescriptions,
                ),
            ] + $body,
        )
            ->assertOk()
            ->json('sessions.0.duration_s');
        self::assertSame($sum('each'), $sum('affected'));
        $this->ask(
            $own,
            'POST',
            "/api/cases/$id/plan",
            $body + ['revision' => $case->refresh()->revision, 'why' => 'Less for now'],
        )->assertStatus(201);
        self::assertSame([['each', 2]], array_values(array_unique($figures(), SORT_REGULAR)));
    }

    public function testAnOpeningEndsWithALetterInstead(): void
    {
        $own = $this->practitioner();
        $form = [
            'name' => 'Odile Marsh',
            'born_on' => '2010-05-01',
            'structure' => 'patellar_tendon',
            'side' => 'left',
            'signs' => ['night' => ''],
            'risks' => ['fluoroquinolone' => ''],
            'history' => 'Both knees last autumn',
            'load_change' => 7,
            'began_on' => '2026-03-01',
        ];
        $id = self::text($this->ask($own, 'POST', '/api/openings', ['step' => 2, 'form' => $form])->json('id'));
        $refer = fn(string $opening, array $body): \Illuminate\Testing\TestResponse => $this->ask(
            $own,
            'POST',
            "/api/openings/$opening/referral",
            $body,
        );
        $refer($id, ['to' => ' ', 'why' => ''])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['to' => 'say to whom', 'why' => 'what you ask for']);
        $letter = self::text(
            $refer($id, ['to' => 'the knee clinic', 'why' => 'Night pain needs an image first.'])
                ->assertStatus(201)
                ->json('letter'),
        );
        foreach (
            [
                'Ropewalk Circus School',
                'To the knee clinic',
                'Odile Marsh, Kneecap tendon, left, born 2010-05-01',
                'Night pain needs an image first.',
                'Night pain at rest that nothing explains',
                'Fluoroquinolone',
                'Both knees last autumn',
                'No loading programme was started',
                $own->name,
            ]
            as $fault
        ) {
            self::assertStringContainsString($fault, $letter);
        }
        self::assertStringNotContainsString('After:', $letter, 'what is no text is left out');
        // It is off the list of openings, and what is typed late changes nothing of it.
        self::assertSame([], $this->ask($own, 'GET', '/api/openings')->json('openings'));
        $this->ask($own, 'PUT', "/api/openings/$id", ['step' => 1, 'form' => ['name' => 'Somebody else']])->assertOk();
        $this->ask($own, 'GET', '/api/referrals')
            ->assertJsonPath('referrals.0.name', 'Odile Marsh')
            ->assertJsonPath('referrals.0.letter', $letter)
            ->assertJsonCount(1, 'referrals');
        self::assertSame(
            [],
            $this->ask($this->practitioner('Another Practice'), 'GET', '/api/referrals')->json('referrals'),
        );
        // An opening that became a case is closed there.
        $typed = self::text(
            $this->ask($own, 'POST', '/api/openings', ['step' => 1, 'form' => ['name' => 'Odile Marsh']])->json('id'),
        );
        $this->ask($own, 'POST', '/api/cases', self::opening(['draft' => $typed]))->assertStatus(201);
        $refer($typed, ['to' => 'x', 'why' => 'y'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['opening' => 'Opening became a case already']);
    }

    public function testARiskCountsByItsDateAndMissingEquipmentTakesTheStandIn(): void
    {
        $own = $this->practitioner();
        $start = fn(string $field, mixed $value): \Illuminate\Testing\TestResponse => $this->ask(
            $own,
            'POST',
            '/api/start-proposals',
            self::opening([$field => $value]),
        )->assertOk();
        $start('risks', [['key' => 'fluoroquinolone', 'taken_on' => '2026-01-15']])
            ->assertJsonPath('rung', 'easiest')
            ->assertJsonPath('risks.0.counts', true);
        $start('risks', [['key' => 'fluoroquinolone', 'taken_on' => '2026-02-27']])
            ->assertJsonPath('rung', 'middle')
            ->assertJsonPath('risks.0.counts', false);
        $start('equipment', [])
            ->assertJsonPath('choices.0.exercise', 'wall_sit_high')
            ->assertJsonPath(
                'choices.0.reasons.0',
                'No leg extension at hand: Wall sit, high in place of Leg-extension hold at 60°, loading the kneecap tendon together with others.',
            );
        // Another exercise in one click, other programmes beside it.
        $start('exercises', ['ext_hold' => 'straight_leg_lift'])
            ->assertJsonPath('choices.0.exercise', 'straight_leg_lift')
            ->assertJsonFragment(['title' => 'Heavy holds']);
        // An earlier episode is shown.
        $juno = $this->caseOf('Juno Tamsin');
        $juno->update(['closed_on' => '2026-04-13']);
        $again = self::text(
            $this->ask($own, 'POST', '/api/cases', self::opening(['athlete' => ['id' => $juno->athlete_id]]))
                ->assertStatus(201)
                ->json('id'),
        );
        $this->ask($own, 'GET', "/api/cases/$again")->assertJsonPath('earlier.0.id', $juno->id);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function unsound(): iterable
    {
        yield 'a mass of 7 kg' => [
            ['athlete' => ['name' => 'Odile', 'body_mass_kg' => 7, 'email' => 'odile@ropewalk.example']],
            'athlete.body_mass_kg',
            'Body mass must be from 20 to 300.',
        ];
        yield 'no address' => [
            ['athlete' => ['name' => 'Odile', 'body_mass_kg' => 60, 'email' => 'odile']],
            'athlete.email',
            'must be an e-mail address',
        ];
        yield 'an address in use' => [
            ['athlete' => ['name' => 'Odile', 'body_mass_kg' => 60, 'email' => 'juno.tamsin@ropewalk.example']],
            'athlete.email',
            'is used to sign in already',
        ];
        yield 'a goal of yesterday' => [['goal_on' => '2026-04-13'], 'goal_on', 'must not lie before today'];
        yield 'pain that begins tomorrow' => [['began_on' => '2026-04-15'], 'began_on', 'must not lie in the future'];
        yield 'a medicine of tomorrow' => [
            ['risks' => [['key' => 'fluoroquinolone', 'taken_on' => '2026-04-15']]],
            'risks.0.taken_on',
            'must not lie in the future',
        ];
        yield 'pain of 11' => [['rest' => 11], 'rest', 'Pain at rest must be from 0 to 10.'];
        yield 'no screening' => [['screened' => false], 'screened', 'must be signed'];
        yield 'no day' => [['available' => []], 'available', 'at least one day'];
        yield 'no such date' => [['events' => ['2026-02-30']], 'events.0', 'does not exist'];
        yield 'an event gone by' => [['events' => ['2026-04-01']], 'events.0', 'must not lie before today'];
        yield 'no such programme' => [['programme' => 'none'], 'programme', 'must name a programme'];
        yield 'a programme for another structure' => [
            ['programme' => 'heel_paced'],
            'programme',
            'not meant for this structure',
        ];
        yield 'a stage that does not apply' => [
            ['goal' => 'everyday', 'stage' => 'springs'],
            'stage',
            'applies to the goal',
        ];
        yield 'a score outside its range' => [
            [
                'severity' => [
                    'name' => 'Knee score',
                    'lowest' => 0,
                    'highest' => 50,
                    'higher_is_better' => true,
                    'score' => 60,
                ],
            ],
            'severity.score',
            'from 0 to 50',
        ];
        yield 'an exercise that is none' => [
            ['exercises' => ['ext_hold' => 'nothing']],
            'exercises.ext_hold',
            'must name an exercise',
        ];
    }

    /** @param array<string, mixed> $spoilt */
    #[DataProvider('unsound')]
    public function testAnUnsoundIntakeIsRefusedAtItsFieldAndNothingIsStored(
        array $spoilt,
        string $field,
        string $message,
    ): void {
        $before = [DB::table('cases')->count(), DB::table('athletes')->count(), DB::table('users')->count()];
        $refused = $this->ask($this->practitioner(), 'POST', '/api/cases', self::opening($spoilt))->assertStatus(422);
        $refused->assertJsonValidationErrors([$field => $message]);
        self::assertSame($before, [
            DB::table('cases')->count(),
            DB::table('athletes')->count(),
            DB::table('users')->count(),
        ]);
    }

    public function testAnOpeningIsLeftAndTakenUpAgain(): void
    {
        $own = $this->practitioner();
        $form = ['name' => 'Odile Marsh', 'rest' => 'eleven', 'signs' => ['night' => ''], 'exercises' => (object) []];
        $id = self::text(
            $this->ask($own, 'POST', '/api/openings', ['step' => 2, 'form' => $form])
                ->assertStatus(201)
                ->json('id'),
        );
        $this->ask($own, 'GET', '/api/openings')->assertJsonPath('openings.0.name', 'Odile Marsh');
        $this->ask($own, 'PUT', "/api/openings/$id", ['step' => 5, 'form' => ['rest' => '2'] + $form])->assertOk();
        $this->ask($own, 'GET', "/api/openings/$id")
            ->assertJsonPath('step', 5)
            ->assertJsonPath('form.rest', '2')
            ->assertJsonPath('form.signs.night', '');
        // A map without entries stays a map.
        self::assertStringContainsString(
            '"exercises":{}',
            (string) $this->ask($own, 'GET', "/api/openings/$id")->getContent(),
        );
        self::assertSame('took up an opening', AccessLogEntry::query()->orderByDesc('id')->firstOrFail()->what);

        // Discarded, and brought back by saving it again.
        $this->ask($own, 'DELETE', "/api/openings/$id")->assertOk();
        $this->ask($own, 'GET', '/api/openings')->assertJsonCount(0, 'openings');
        $this->ask($own, 'PUT', "/api/openings/$id", ['step' => 5, 'form' => $form])->assertOk();
        $this->ask($own, 'GET', '/api/openings')->assertJsonCount(1, 'openings');
        $this->ask($own, 'POST', '/api/openings', ['step' => 1, 'form' => ['history' => str_repeat('x', 70_000)]])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['form']);
    }
}
