<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\Role;
use App\Models\TrainingSession;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Sabre\VObject\Reader;

/** What a phone gets: every open case, what became of closed ones, what a stop means, and what each limb did. */
final class PhoneCasesTest extends TestCase
{
    use AtTheDesk;

    public function testEveryOpenCaseIsOnThePhoneAndAClosedOneKeepsItsHistory(): void
    {
        $own = $this->practitioner();
        $knee = $this->caseOf('Piet Olander');
        $piet = $this->athlete('Piet Olander');
        $elbow = CareCase::query()->findOrFail(
            self::text(
                $this->ask(
                    $own,
                    'POST',
                    '/api/cases',
                    OpeningTest::opening([
                        'athlete' => ['id' => $knee->athlete_id],
                        'structure' => 'lateral_elbow',
                        'programme' => 'hold_strength_speed',
                        'side' => 'left',
                        'severity' => null,
                    ]),
                )
                    ->assertStatus(201)
                    ->json('id'),
            ),
        );

        $page = $this->ask($piet, 'GET', '/api/today')->assertOk();
        self::assertSame([$knee->id, $elbow->id], $page->json('cases.*.case'));
        self::assertSame(
            [$piet->id, 'Piet Olander', []],
            [$page->json('person'), $page->json('athlete'), $page->json('closed')],
        );
        foreach ([0, 1] as $i) {
            self::assertNotEmpty($page->json("cases.$i.sessions"));
            self::assertNotEmpty($page->json("cases.$i.ladder"));
        }
        $morning = fn(CareCase $case): TestResponse => $this->ask(
            $piet,
            'PUT',
            '/api/today/check-ins/' . Str::uuid7() . "?case=$case->id",
            ['at' => '2026-04-14T08:50:00+01:00', 'provocation' => 3],
        );
        CarbonImmutable::setTestNow('2026-04-14T09:00:00+01:00');
        $morning($elbow)->assertStatus(201);
        self::assertSame(
            [[3], 0],
            [
                $elbow->checkIns()->where('local_on', '2026-04-14')->pluck('provocation')->all(),
                $knee->checkIns()->where('at', '2026-04-14T08:50:00+01:00')->count(),
            ],
        );
        $text = $this->calendar($piet);
        foreach ([$knee, $elbow] as $case) {
            self::assertStringContainsString(
                $case->plannedSessions()->where('on', '2026-04-15')->firstOrFail()->id,
                $text,
                $case->structure,
            );
        }
        self::assertSame(1, substr_count($text, 'SUMMARY:Morning answer'), 'one reminder for both');
        // Each session has its time, its reminder and the zone's own rules.
        self::assertSame(substr_count($text, 'BEGIN:VEVENT'), substr_count($text, 'BEGIN:VALARM'));
        self::assertStringContainsString('BEGIN:VTIMEZONE', $text);
        $read = Reader::read($text);
        self::assertSame(
            [],
            array_filter($read->validate(), static fn(mixed $value): bool => data_get($value, 'level') === 3),
        );

        // The knee is done: the elbow goes on alone, and the knee says who closed it and when to come back.
        $knee->update(['closed_on' => '2026-04-14', 'revision' => $knee->refresh()->revision + 1]);
        $knee->decisions()->create([
            'practice_id' => $knee->practice_id,
            'user_id' => $own->id,
            'at' => CarbonImmutable::now(),
            'kind' => 'accept',
            'words' => 'Done',
            'reason' => 'Full shows again',
            'evidence' => [],
            'plan_version' => 1,
            'undo' => ['case' => ['closed_on' => null]],
        ]);
        $page = $this->ask($piet, 'GET', '/api/today');
        self::assertSame([$elbow->id], $page->json('cases.*.case'));
        $page
            ->assertJsonPath('closed.0.case', $knee->id)
            ->assertJsonPath('closed.0.closed_by', $own->name)
            ->assertJsonPath('closed.0.why', 'Full shows again')
            ->assertJsonPath('closed.0.closed_on', '2026-04-14');
        self::assertSame($knee->trainingSessions()->count(), $page->json('closed.0.sessions'));
        self::assertStringContainsString('over 5 of 10', self::text($page->json('closed.0.come_back')));
        self::assertNotEmpty($page->json('closed.0.ladder'));
        self::assertStringNotContainsString($knee->plannedSessions()->firstOrFail()->id, $this->calendar($piet));
    }

    public function testUnderAStopNothingIsAskedForAndItIsSaidWhomToCall(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        self::assertNotEmpty($this->ask($juno, 'GET', '/api/today')->json('cases.0.sessions'));
        self::assertStringContainsString('BEGIN:VALARM', $this->calendar($juno));

        $this->ask($juno, 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
            'signs' => ['swelling'],
        ])->assertStatus(201);
        $page = $this->ask($juno, 'GET', '/api/today')
            ->assertJsonPath('cases.0.stopped', true)
            ->assertJsonPath('cases.0.sessions', []);
        self::assertSame(array_fill(0, 8, 'No loading until you have been seen.'), $page->json('cases.0.days.*.why'));
        self::assertSame(
            [
                'name' => 'Ropewalk Circus School',
                'telephone' => '+351 210 000 000',
                'hours' => 'Monday to Friday, 9:00 to 18:00',
            ],
            $page->json('practice'),
        );
        $text = $this->calendar($juno);
        self::assertStringContainsString('SUMMARY:No loading until you have been seen.', $text);
        self::assertStringNotContainsString('Morning answer', $text, 'no test is asked for');
        self::assertSame(1, substr_count($text, 'BEGIN:VEVENT'));

        // Reviewed: the plan goes on.
        $stop = self::text($case->checkIns()->whereJsonContains('signs', 'swelling')->firstOrFail()->id);
        $this->decide($case, ['kind' => 'clear_stop', 'clears' => $stop, 'reason' => 'A blister'])->assertStatus(201);
        self::assertNotEmpty(
            $this->ask($juno, 'GET', '/api/today')->assertJsonPath('cases.0.stopped', false)->json('cases.0.sessions'),
        );
    }

    public function testTheOwnerSaysWhomAthletesCall(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'PUT', '/api/practice', ['telephone' => 'ring me', 'hours' => null])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['telephone' => 'digits, such as']);
        $juno = $this->athlete('Juno Tamsin');
        $before = $this->ask($juno, 'GET', '/api/today')->headers->get('ETag');
        $this->ask($own, 'PUT', '/api/practice', ['telephone' => '0210 55 55', 'hours' => 'Mornings'])->assertOk();
        $this->ask($own, 'GET', '/api/practice')->assertJson(['telephone' => '0210 55 55', 'hours' => 'Mornings']);
        // A phone that has an older page gets the new number.
        $page = $this->withHeaders(['If-None-Match' => (string) $before])
            ->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')
            ->assertOk();
        self::assertSame('0210 55 55', $page->json('practice.telephone'));
        $this->flushHeaders();
        // Another practice keeps its own, and a practitioner who does not own it changes nothing.
        self::assertSame(
            '+351 210 000 000',
            $this->ask($this->athlete('Juno Tamsin', 'Another Practice'), 'GET', '/api/today')->json(
                'practice.telephone',
            ),
        );
        $ren = User::query()->where('role', Role::Practitioner)->where('practice_id', $own->practice_id)->firstOrFail();
        $this->ask($ren, 'PUT', '/api/practice', ['telephone' => null, 'hours' => null])->assertStatus(403);
        $this->ask($ren, 'GET', '/api/practice')->assertOk();
    }

    public function testEachLimbKeepsItsOwnCountAndThePainOfEachSet(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        self::assertSame('left', $case->side);
        $juno = $this->athlete('Juno Tamsin');
        $today = $this->ask($juno, 'GET', '/api/today');
        $prescription = data_get(self::dueOn($today), 'exercises.0.prescription');
        $id = (string) Str::uuid7();
        $log = [
            'planned' => self::dueOn($today)['planned'],
            'plan_version' => $today->json('cases.0.plan_version'),
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'entries' => [
                [
                    'prescription' => $prescription,
                    'pain' => 1,
                    'sets' => [
                        ['left' => ['reps' => 3], 'right' => ['reps' => 15], 'load_kg' => 20, 'pain' => 5],
                        ['left' => ['reps' => 15], 'right' => ['reps' => 15], 'load_kg' => 20, 'pain' => 2],
                    ],
                ],
            ],
        ];
        $this->ask($juno, 'PUT', "/api/today/sessions/$id", $log)->assertStatus(201);
        $stored = (string) json_encode(TrainingSession::query()->findOrFail($id)->entries);
        // The sore side counts, each side is kept, and the worst set is the pain of the exercise.
        self::assertJsonStringEqualsJsonString(
            (string) json_encode([
                [
                    'prescription' => $prescription,
                    'pain' => 5,
                    'sets' => [
                        ['reps' => 3, 'load_kg' => 20, 'pain' => 5, 'left' => ['reps' => 3], 'right' => ['reps' => 15]],
                        [
                            'reps' => 15,
                            'load_kg' => 20,
                            'pain' => 2,
                            'left' => ['reps' => 15],
                            'right' => ['reps' => 15],
                        ],
                    ],
                ],
            ]),
            $stored,
        );
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/sessions/$id")
            ->assertOk()
            ->assertJsonPath('entries.0.done.0', 'left 3, right 15 at 20 kg, pain 5')
            ->assertJsonPath('entries.0.pain', 5)
            ->assertJsonPath('verdict', 'over');

        $log['entries'][0]['sets'][0]['left']['reps'] = 201;
        $this->ask($juno, 'PUT', '/api/today/sessions/' . Str::uuid7(), $log)
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('entries.0.sets.0.left.reps');
    }

    public function testAnExerciseSaysItsSidesItsHelpAndWhatIsUsual(): void
    {
        foreach (['Juno Tamsin', 'Basil Thorne', 'Anouk Sorrel', 'Piet Olander'] as $name) {
            $case = $this->caseOf($name);
            $page = $this->ask($this->athlete($name), 'GET', '/api/today')->assertOk();
            foreach ((array) $page->json('cases.0.sessions.*.exercises.*') as $exercise) {
                $pair = collect((array) $exercise);
                self::assertSame(
                    'leave_out',
                    data_get($pair->get('relief'), count((array) $pair->get('relief')) - 1 . '.kind'),
                );
                if (count((array) $pair->get('sides')) === 2 && $case->side !== 'both') {
                    self::assertSame(
                        ['side' => $case->side, 'words' => "$case->side, the sore one"],
                        data_get($pair->get('sides'), '0'),
                    );
                }
                self::assertSame(
                    data_get($pair, 'dose.load_kg') ?? data_get($pair, 'load.kg'),
                    data_get($pair, 'usual_load.usual'),
                );
            }
            self::assertGreaterThan(10, strlen(self::text($page->json('cases.0.over_words'))));
        }
        // Where both sides are sore, both take their turn, and none is called the sore one.
        foreach (['Anouk Sorrel', 'Ines Calloway'] as $name) {
            $page = $this->ask($this->athlete($name), 'GET', '/api/today');
            self::assertNotContains('the sore side', (array) $page->json('cases.0.sessions.*.exercises.*.limbs'));
            self::assertNotContains(
                'left, the sore one',
                (array) $page->json('cases.0.sessions.*.exercises.*.sides.*.words'),
            );
            self::assertContains(
                ['left', 'right'],
                array_map(
                    static fn(mixed $sides): array => array_column((array) $sides, 'side'),
                    (array) $page->json('cases.0.sessions.*.exercises.*.sides'),
                ),
            );
        }
        // Where the test is repeated between sets, each set is judged by itself.
        $edda = $this->caseOf('Edda Moorgate');
        self::assertNotContains(
            true,
            (array) $this->ask($this->athlete('Edda Moorgate'), 'GET', '/api/today')->json(
                'cases.0.sessions.*.exercises.*.pain_by_set',
            ),
        );
        $edda->update(['programme' => 'outer_elbow_six_week', 'revision' => $edda->revision + 1]);
        self::assertNotContains(
            false,
            (array) $this->ask($this->athlete('Edda Moorgate'), 'GET', '/api/today')->json(
                'cases.0.sessions.*.exercises.*.pain_by_set',
            ),
        );
    }

    public function testTheWholeCaseIsShownThenAndNow(): void
    {
        $case = $this->caseOf('Ines Calloway');
        $page = (array) $this->ask($this->athlete('Ines Calloway'), 'GET', '/api/today')->json('cases.0.then_and_now');
        self::assertGreaterThan(1, count($page));
        $sessions = $case->trainingSessions()->get();
        $day = static fn(?TrainingSession $session): ?string => $session?->started_at
            ->setTimezone('Europe/Lisbon')
            ->format('Y-m-d');
        self::assertContains(
            $day($sessions->first()),
            array_map(static fn(mixed $value): mixed => data_get($value, 'then.on'), $page),
        );
        self::assertContains(
            $day($sessions->where('kind', 'loading')->last()),
            array_map(static fn(mixed $value): mixed => data_get($value, 'now.on'), $page),
        );
        foreach ($page as $pair) {
            self::assertLessThan(self::text(data_get($pair, 'now.on')), self::text(data_get($pair, 'then.on')));
            self::assertMatchesRegularExpression('/^\d+ × \d/', self::text(data_get($pair, 'now.words')));
        }
    }

    private function calendar(User $athlete): string
    {
        $path = self::text($this->ask($athlete, 'POST', '/api/today/calendar')->assertStatus(201)->json('address'));
        \Illuminate\Support\Facades\Auth::forgetGuards();

        return (string) $this->get($path)->assertOk()->getContent();
    }

    public function testAnAthleteTakesAllDataAwayAndItIsReadAgain(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $case
            ->trainingSessions()
            ->firstOrFail()
            ->replicate(['id'])
            ->forceFill([
                'planned_id' => null,
                'started_at' => '2024-01-02T08:00:00Z',
                'ended_at' => '2024-01-02T08:30:00Z',
                'created_at' => CarbonImmutable::now(),
            ])
            ->save();
        $athlete = $this->athlete('Basil Thorne');
        $page = $this->ask($athlete, 'GET', '/api/today/data')
            ->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="rung-own-data.json"')
            ->assertJsonPath('athlete.name', 'Basil Thorne')
            ->assertJsonCount(1, 'cases');
        $file = $page->json('cases.0.case_file');
        self::assertIsArray($file);
        self::assertCount($case->trainingSessions()->count(), (array) $file['sessions'], 'also what is years old');
        self::assertCount($case->checkIns()->count(), (array) $file['check_ins']);
        // It is a case file like any other: read again it is the same.
        $json = json_encode($file, JSON_THROW_ON_ERROR);
        self::assertEquals(
            $file,
            json_decode(
                json_encode(\Rung\Core\CaseFile\CaseFile::fromJson($json)->toArray(), JSON_THROW_ON_ERROR),
                true,
            ),
        );
        self::assertStringNotContainsString('Juno', (string) $page->getContent(), 'nothing of anybody else');
        self::assertTrue(
            \App\Models\AccessLogEntry::query()
                ->where('user_id', $athlete->id)
                ->where('what', 'took away all data')
                ->exists(),
        );
        Auth::forgetGuards();
        $this->ask($this->athlete('Mirela Quill'), 'GET', '/api/today/data')->assertJsonCount(2, 'cases');
    }
}
