<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\PlannedSession;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** What a practitioner does at the desk: narrows the Round, decides, takes back, nudges, prescribes. */
final class DeskTest extends TestCase
{
    use AtTheDesk;

    public function testTheRoundIsNarrowedOnTheServerAndPaged(): void
    {
        $own = $this->practitioner();
        $names = fn(string $query): array => self::texts(
            $this->ask($own, 'GET', "/api/round?$query")
                ->assertOk()
                ->json('cases.*.athlete.name'),
        );
        $filters = $this->ask($own, 'GET', '/api/round/filters')->assertOk();
        self::assertEqualsCanonicalizing(['Ola Vance', 'Ren Castellan'], $filters->json('practitioners.*.title'));
        self::assertContains('achilles_midportion', (array) $filters->json('structures.*.key'));

        self::assertSame(['Tobias Fenwick'], $names('search=fenw'));
        self::assertSame([], $names('search=' . urlencode("100%_'")));
        self::assertSame(['Mirela Quill'], array_values(array_unique($names('structure=achilles_midportion'))));
        $ren = collect((array) $filters->json('practitioners'))->firstWhere('title', 'Ren Castellan');
        self::assertIsArray($ren);
        self::assertCount(4, $names('practitioner=' . self::text($ren['key'])));
        self::assertCount(14, $names('event=week'));
        CareCase::query()
            ->where('id', $this->caseOf('Juno Tamsin')->id)
            ->update(['events' => '[]']);
        self::assertCount(13, $names('event=week'));

        // Pages follow each other without a case twice or left out, and tell how many each group has.
        $rows = DB::table('cases')->where('practice_id', $own->practice_id)->get();
        foreach (range(1, 5) as $copy) {
            DB::table('cases')->insert(
                $rows->map(static fn(object $row): array => ['id' => (string) Str::uuid7()] + (array) $row)->all(),
            );
        }
        $seen = [];
        $after = '';
        do {
            $page = $this->ask($own, 'GET', "/api/round?after=$after");
            array_push($seen, ...self::texts($page->json('cases.*.id')));
            self::assertSame(84, array_sum((array) $page->json('groups')));
            $after = $page->json('next');
        } while (is_string($after));
        self::assertSame([84, 84], [count($seen), count(array_unique($seen))]);
    }

    public function testADecisionIsTakenBackAsLongAsTheAthleteHasNotActedOnIt(): void
    {
        $case = $this->readyCase();
        $own = $this->practitioner();
        $before = $this->seen($case);
        $planned = fn(): array => $case
            ->plannedSessions()
            ->where('on', '>=', '2026-04-14')
            ->get()
            ->map(static fn(PlannedSession $p): string => "$p->on $p->slot $p->id")
            ->all();
        $calendar = $planned();
        $accepted = $this->decide($case, ['kind' => 'accept'])
            ->assertStatus(201)
            ->assertJson(['undo' => true]);
        self::assertNotSame($before, $this->seen($case));

        $undo = fn(mixed $id): TestResponse => $this->ask(
            $own,
            'DELETE',
            "/api/cases/$case->id/decisions/" . self::text($id),
        );
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('decisions.0.can_undo', true);
        $undo($accepted->json('id'))->assertStatus(201);
        self::assertSame($before, $this->seen($case));
        self::assertSame($calendar, $planned(), 'the calendar is as it was, ids included');
        $page = $this->ask($own, 'GET', "/api/cases/$case->id");
        self::assertSame(
            ['undo', false, true],
            [
                $page->json('decisions.0.kind'),
                $page->json('decisions.0.taken_back'),
                $page->json('decisions.1.taken_back'),
            ],
        );
        $undo($accepted->json('id'))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['decision' => 'taken back already']);

        // Decided again, then something else on top, then the athlete trains.
        $again = $this->decide($case, ['kind' => 'accept'])->assertStatus(201);
        $review = $this->decide($case, ['kind' => 'review', 'review_on' => '2026-05-01'])->assertStatus(201);
        $undo($again->json('id'))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['decision' => 'followed by another']);
        $undo($review->json('id'))->assertStatus(201);
        self::assertNull($case->refresh()->review_on);
        CarbonImmutable::setTestNow('2026-04-14T09:00:00+01:00');
        $row = $case
            ->trainingSessions()
            ->firstOrFail()
            ->replicate(['id'])
            ->forceFill(['planned_id' => null, 'created_at' => CarbonImmutable::now()]);
        $row->save();
        $undo($again->json('id'))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['decision' => 'acted on by the athlete']);
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('decisions.0.can_undo', false);
    }

    public function testAStageASignatureAStopAndAClosedCaseAreTakenBack(): void
    {
        $own = $this->practitioner();
        foreach (
            [
                ['Piet Olander', ['kind' => 'stage', 'stage' => 'slow', 'reason' => 'x']],
                ['Juno Tamsin', ['kind' => 'sign_off']],
                ['Piet Olander', ['kind' => 'rule', 'rule' => 'comfort', 'reason' => 'x']],
                ['Fenn Harrow', ['kind' => 'clear_stop', 'reason' => 'x']],
                ['Greta Osei-Vane', ['kind' => 'accept']],
            ]
            as [$name, $body]
        ) {
            $case = $this->caseOf($name);
            $before = $this->seen($case);
            if ($body['kind'] === 'clear_stop') {
                $stop = collect((array) $this->ask($own, 'GET', "/api/cases/$case->id")->json('stops'))->firstWhere(
                    'cleared',
                    false,
                );
                self::assertIsArray($stop);
                $body['clears'] = $stop['id'];
            }
            $decided = $this->decide($case, $body)->assertStatus(201);
            self::assertNotSame($before, $this->seen($case), "$name: {$body['kind']}");
            $this->ask(
                $own,
                'DELETE',
                "/api/cases/$case->id/decisions/" . self::text($decided->json('id')),
            )->assertStatus(201);
            self::assertSame($before, $this->seen($case), "$name: {$body['kind']}");
        }
    }

    public function testAReviewANoteAndAnotherSchoolStandInTheRecord(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $this->decide($case, ['kind' => 'note'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['reason']);
        // A note is kept whatever came in since the page was read; a decision is not.
        $this->decide($case, [
            'kind' => 'note',
            'reason' => 'Sleeps badly before shows',
            'revision' => 0,
        ])->assertStatus(201);
        $this->decide($case, ['kind' => 'review', 'review_on' => '2026-04-15', 'revision' => 0])->assertStatus(409);
        $this->decide($case, ['kind' => 'review', 'review_on' => '2026-04-14'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['review_on']);
        $this->decide($case, ['kind' => 'review', 'review_on' => '2026-04-15'])->assertStatus(201);
        $this->decide($case, ['kind' => 'rule', 'rule' => 'none', 'reason' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['rule']);
        $this->decide($case, ['kind' => 'rule', 'rule' => 'tolerable', 'reason' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['rule']);
        $this->decide($case, ['kind' => 'rule', 'rule' => 'low', 'reason' => 'Flares easily'])->assertStatus(201);

        $page = $this->ask($own, 'GET', "/api/cases/$case->id");
        self::assertSame(
            ['2026-04-15', 'low', 2],
            [$page->json('review_on'), $page->json('school.key'), $page->json('rule.during_max')],
        );
        self::assertSame(['rule', 'review', 'note'], array_slice((array) $page->json('decisions.*.kind'), 0, 3));
        self::assertNotEmpty($page->json('decisions.0.grounds'));
    }

    public function testAFlareEasesRestsAndLeavesHoldsAlone(): void
    {
        $case = $this->caseOf('Tobias Fenwick');
        $own = $this->practitioner();
        $flare = static fn(array $choice): array => [
            'kind' => 'flare',
            'flare' => $choice + ['ease' => false, 'rest_days' => 0, 'holds_only_days' => 0],
        ];
        $this->decide($case, $flare([]))->assertStatus(422);
        $this->decide($case, $flare(['rest_days' => 8]))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['flare.rest_days' => 'Rest days must be from 0 to 7.']);
        $before = $this->seen($case);
        $days = fn(): array => $case
            ->plannedSessions()
            ->where('on', '>=', '2026-04-14')
            ->orderBy('on')
            ->pluck('on')
            ->unique()
            ->values()
            ->all();
        $calendar = $days();
        self::assertContains('2026-04-15', $calendar);

        $decided = $this->decide(
            $case,
            $flare(['ease' => true, 'rest_days' => 2, 'holds_only_days' => 7, 'advice' => 'No jumping this week.']),
        )->assertStatus(201);
        self::assertStringContainsString('No loading until Thu 16 Apr', self::text($decided->json('words')));
        self::assertSame([], array_filter($days(), static fn(mixed $on): bool => $on < '2026-04-16'));
        $slots = $case
            ->plannedSessions()
            ->whereBetween('on', ['2026-04-16', '2026-04-20'])
            ->pluck('slot')
            ->unique()
            ->all();
        $plan = $case->plan();
        $springs = $plan->stage('springs');
        self::assertNotNull($springs);
        foreach ($slots as $slot) {
            $asked = array_filter(
                $springs->stage->prescriptions,
                static fn($prescription): bool => $prescription->slot === $slot,
            );
            self::assertTrue(
                $asked === [] ||
                    array_filter($asked, static fn($exercise): bool => $exercise->mode->value === 'isometric') !== [],
                self::text($slot) . ' has holds',
            );
        }
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('messages.0.words', 'No jumping this week.')
            ->assertJsonPath('messages.0.sent', true)
            ->assertJsonPath('standing.action', 'repeat');
        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/" . self::text($decided->json('id')))->assertStatus(
            201,
        );
        self::assertSame([$before, $calendar], [$this->seen($case), $days()]);
    }

    public function testWhatRestsIsShownAndCanBeAskedForAgainByHand(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $this->decide($case, [
            'kind' => 'flare',
            'flare' => ['ease' => false, 'rest_days' => 2, 'holds_only_days' => 7],
        ])->assertStatus(201);
        $page = $this->ask($own, 'GET', "/api/cases/$case->id");
        $rests = array_combine(
            self::texts($page->json('prescriptions.*.mode')),
            self::texts($page->json('prescriptions.*.rests_until')),
        );
        self::assertSame(
            [
                'isotonic' => '2026-04-21',
                'isometric' => '2026-04-16',
                'mobility' => '2026-04-21',
                'control' => '2026-04-21',
            ],
            $rests,
            'all but holds rests for longer',
        );

        $plan = $this->ask($own, 'GET', "/api/cases/$case->id/plan");
        $stage = collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));
        self::assertIsArray($stage);
        self::assertContains('2026-04-16', array_column((array) $stage['prescriptions'], 'rests_until'));
        $body = [
            'revision' => $case->refresh()->revision,
            'stage' => $plan->json('stage'),
            'prescriptions' => array_column((array) $stage['prescriptions'], 'prescription'),
        ];
        $first = function (array $more) use ($own, $case, $body): string {
            $days = $this->ask($own, 'POST', "/api/cases/$case->id/plan/preview", $more + $body)
                ->assertOk()
                ->json('sessions.*.days');
            $all = array_merge(...array_map(self::texts(...), (array) $days));
            sort($all);

            return $all[0] ?? self::fail('no day was planned');
        };
        self::assertGreaterThanOrEqual('2026-04-16', $first([]), 'a preview leaves out the days of rest');
        self::assertLessThan('2026-04-16', $first(['ends_rest' => true]));
        $this->ask(
            $own,
            'POST',
            "/api/cases/$case->id/plan",
            $body + ['ends_rest' => true, 'why' => 'It settled overnight'],
        )->assertStatus(201);
        $page = $this->ask($own, 'GET', "/api/cases/$case->id");
        self::assertSame([], array_filter((array) $page->json('prescriptions.*.rests_until')));
        self::assertStringContainsString('The rest is over', self::text($page->json('decisions.0.words')));
        self::assertLessThan('2026-04-16', self::text($page->json('coming.0.on')));
    }

    public function testADecisionOnWhatHasChangedSinceIsRefusedAndNothingIsLost(): void
    {
        $case = $this->readyCase();
        $own = $this->practitioner();
        $seen = $case->revision;
        $body = ['kind' => 'accept', 'revision' => $seen];
        $this->ask($own, 'POST', "/api/cases/$case->id/decisions", $body)->assertStatus(201);
        $versions = $case->planVersions()->count();
        $this->ask($own, 'POST', "/api/cases/$case->id/decisions", $body)
            ->assertStatus(409)
            ->assertJsonPath('message', 'Something new came in for this case. Look at it again, then decide.');
        self::assertSame($versions, $case->planVersions()->count());
        $this->decide($case, ['kind' => 'accept', 'prescriptions' => ['none']])->assertStatus(422);

        // A closed case takes notes, and nothing else.
        $case->forceFill(['closed_on' => '2026-04-13'])->save();
        foreach (
            [
                ['kind' => 'keep', 'reason' => 'x'],
                ['kind' => 'flare', 'flare' => ['ease' => true, 'rest_days' => 1, 'holds_only_days' => 0]],
                ['kind' => 'review', 'review_on' => '2026-05-01'],
            ]
            as $decision
        ) {
            $this->decide($case, $decision)
                ->assertStatus(422)
                ->assertJsonValidationErrors(['kind' => 'this case is closed']);
        }
        $this->ask($own, 'POST', "/api/cases/$case->id/nudges", ['words' => null])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['words' => 'this case is closed']);
        $this->decide($case, ['kind' => 'note', 'reason' => 'Came by to say thanks'])->assertStatus(201);
    }

    public function testASilentAthleteIsNudgedOnceADay(): void
    {
        $case = $this->caseOf('Dario Pell');
        $own = $this->practitioner();
        $this->ask($own, 'POST', "/api/cases/$case->id/nudges", ['words' => str_repeat('x', 601)])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['words']);
        $this->ask($own, 'POST', "/api/cases/$case->id/nudges", ['words' => null])->assertStatus(201);
        $this->ask($own, 'POST', "/api/cases/$case->id/nudges", ['words' => null])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['words' => 'sent today already']);
        $line = $this->ask($own, 'GET', '/api/round?search=pell');
        self::assertSame('2026-04-14T07:30:00Z', $line->json('cases.0.nudged_at'));
        self::assertStringStartsWith(
            'Hello Dario',
            self::text($this->ask($own, 'GET', "/api/cases/$case->id")->json('messages.0.words')),
        );
        self::assertTrue(
            AccessLogEntry::query()
                ->where('what', 'nudged the athlete')
                ->where('athlete_id', $case->athlete_id)
                ->exists(),
        );
    }

    public function testAShareOfAMeasuredMaximumIsShownTheSameOnEveryScreen(): void
    {
        $case = $this->caseOf('Piet Olander');
        $own = $this->practitioner();
        $page = $this->ask($own, 'GET', "/api/cases/$case->id")->assertOk();
        $sessions = self::texts($page->json('hooks.*.session'));
        $answer = [
            'in force' => $page->json('prescriptions.0.words'),
            'done' => $this->ask($own, 'GET', "/api/cases/$case->id/sessions/" . end($sessions))
                ->assertOk()
                ->json('entries.0.asked'),
            'on the phone' => $this->ask($this->athlete('Piet Olander'), 'GET', '/api/today')->json(
                'cases.0.sessions.0.exercises.0.words',
            ),
        ];
        foreach ($answer as $where => $words) {
            self::assertStringContainsString('70 % of maximum', self::text($words), $where);
        }
    }

    public function testASessionIsShownAgainstTheVersionThatItWasDoneFrom(): void
    {
        $case = $this->caseOf('Tobias Fenwick');
        $own = $this->practitioner();
        $row = TrainingSession::query()
            ->where('case_id', $case->id)
            ->where('plan_version', 1)
            ->orderBy('started_at')
            ->firstOrFail();
        $answer = $this->ask($own, 'GET', "/api/cases/$case->id/sessions/$row->id")->assertOk();
        self::assertSame(
            [1, count($row->entries)],
            [$answer->json('plan_version'), count((array) $answer->json('entries'))],
        );
        self::assertNotNull($answer->json('entries.0.asked'));
        self::assertCount(count($row->entries[0]['sets'] ?? []), (array) $answer->json('entries.0.done'));
        $foreign = TrainingSession::query()->where('case_id', '!=', $case->id)->firstOrFail();
        $this->ask($own, 'GET', "/api/cases/$case->id/sessions/$foreign->id")->assertStatus(404);
    }

    public function testTheSchoolsAreAskedAboutTheSameLog(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $answer = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/opinions")->assertOk();
        self::assertCount(9, (array) $answer->json('schools'));
        $own = collect((array) $answer->json('schools'))->firstWhere('own', true);
        self::assertIsArray($own);
        $standing = $case->round_line ?? [];
        self::assertSame([$standing['action'], $standing['headline']], [$own['action'], $own['headline']]);
        self::assertGreaterThan(1, count(array_unique(self::texts($answer->json('schools.*.action')))));
        self::assertNotEmpty($answer->json('parts.0.said.1.schools'));
    }

    public function testAStageIsPrescribedByHandFromAChosenDay(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $plan = $this->ask($own, 'GET', "/api/cases/$case->id/plan")->assertOk();
        $stage = collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));
        self::assertIsArray($stage);
        $asked = array_column((array) $stage['prescriptions'], 'prescription');
        $draft = fn(array $prescriptions, array $more = []): array => $more + [
            'revision' => $case->refresh()->revision,
            'stage' => $plan->json('stage'),
            'prescriptions' => $prescriptions,
            'why' => 'Shows every night',
        ];
        $preview = fn(array $body): TestResponse => $this->ask(
            $own,
            'POST',
            "/api/cases/$case->id/plan/preview",
            $body,
        );
        $save = fn(array $body): TestResponse => $this->ask($own, 'POST', "/api/cases/$case->id/plan", $body);

        $same = $preview($draft($asked))->assertOk()->assertJsonPath('note', '');
        $sets = $plan->json('stages.1.prescriptions.0.prescription.dose.sets');
        self::assertIsInt($sets);
        $heavier = array_replace_recursive($asked, [['dose' => ['sets' => $sets + 2]]]);
        $answer = $preview($draft($heavier))->assertOk();
        self::assertStringContainsString("sets $sets → " . ($sets + 2), self::text($answer->json('note')));
        self::assertGreaterThan(
            $same->json('prescriptions.0.figures.duration_s'),
            $answer->json('prescriptions.0.figures.duration_s'),
        );
        self::assertContains('growth', (array) $answer->json('lint.*.key'));

        $preview($draft(array_replace_recursive($heavier, [['dose' => ['reps' => 0]]])))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['prescriptions.0.dose.reps' => 'Reps must be from 1 to 200.']);
        $preview($draft($asked, ['from' => '2026-04-13']))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['from']);
        $save($draft($asked))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['prescriptions']);
        $save(['why' => ' '] + $draft($heavier))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['why']);
        $save(['revision' => 0] + $draft($heavier))->assertStatus(409);

        // From Friday on: until then nothing changes, for nobody.
        $save($draft($heavier, ['from' => '2026-04-17', 'note' => 'Two sets more']))->assertStatus(201);
        $athlete = $this->athlete('Edda Moorgate');
        self::assertNotSame('Two sets more', $this->ask($athlete, 'GET', '/api/today')->json('cases.0.news.words'));
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('prescriptions.0.dose.sets', $sets)
            ->assertJsonPath('waiting.from', '2026-04-17');
        CarbonImmutable::setTestNow('2026-04-17T08:30:00+01:00');
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('prescriptions.0.dose.sets', $sets + 2)
            ->assertJsonPath('waiting', null);
        $this->ask($athlete, 'GET', '/api/today')
            ->assertJsonPath('cases.0.news.words', 'Two sets more')
            ->assertJsonPath('cases.0.news.why', 'Shows every night');
    }

    public function testExercisesAreSwappedAddedLeftOutAndOrderedAndOldSessionsStayReadable(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $plan = $this->ask($own, 'GET', "/api/cases/$case->id/plan");
        $stage = collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));
        self::assertIsArray($stage);
        $asked = array_column((array) $stage['prescriptions'], 'prescription');
        $gated = collect((array) $this->ask($own, 'GET', "/api/cases/$case->id")->json('gate.criteria'))->contains(
            'type',
            'reached',
        );
        [$first, $second] = $asked;
        self::assertIsArray($first);
        self::assertIsArray($second);
        $sit = [
            'key' => 'wall_sit_high',
            'exercise' => 'wall_sit_high',
            'mode' => 'isometric',
            'limbs' => 'together',
            'slot' => $first['slot'],
            'dose' => ['sets' => 4, 'reps' => 1, 'hold_s' => 30, 'rest_s' => 60],
        ];
        $swapped = ['exercise' => 'step_up', 'ladder' => null] + $second;
        $left = $gated ? [] : [$first];
        $body = [
            'revision' => $case->refresh()->revision,
            'stage' => $plan->json('stage'),
            'prescriptions' => [$sit, $swapped, ...array_slice($asked, 2), ...$left === [] ? [$first] : []],
            'why' => 'A new hall',
            'available' => ['mon', 'wed', 'fri'],
            'rhythm' => ['every_days' => 2],
        ];
        $note = self::text(
            $this->ask($own, 'POST', "/api/cases/$case->id/plan/preview", $body)
                ->assertOk()
                ->json('note'),
        );
        foreach (['Added: Wall sit, high', ' → Step-up', 'Left out: ', 'Days: Mon Wed Fri', 'Rhythm: '] as $part) {
            self::assertStringContainsString($part, $note);
        }
        $this->ask($own, 'POST', "/api/cases/$case->id/plan", $body)->assertStatus(201);
        $weekdays = $case
            ->plannedSessions()
            ->where('on', '>', '2026-04-14')
            ->pluck('on')
            ->map(static fn(mixed $on): string => CarbonImmutable::parse(self::text($on))->format('D'))
            ->unique()
            ->values()
            ->all();
        self::assertEqualsCanonicalizing(['Mon', 'Wed', 'Fri'], $weekdays);
        // What was left out is still named by old sessions, and by a phone that has not heard of it.
        $old = TrainingSession::query()->where('case_id', $case->id)->orderByDesc('started_at')->firstOrFail();
        $this->ask($own, 'GET', "/api/cases/$case->id/sessions/$old->id")->assertOk();
        $this->ask($this->athlete('Edda Moorgate'), 'PUT', '/api/today/sessions/' . Str::uuid7(), [
            'planned' => null,
            'plan_version' => $plan->json('version'),
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:30:00+01:00',
            'entries' => [['prescription' => $first['key'], 'pain' => 1, 'sets' => [['reps' => 8]]]],
        ])->assertStatus(201);
        self::assertSame(
            'prescribe',
            Decision::query()->where('case_id', $case->id)->orderByDesc('at')->firstOrFail()->kind,
        );
    }

    private function readyCase(): CareCase
    {
        return CareCase::query()
            ->whereHas('practice', static fn($query) => $query->where('name', 'Ropewalk Circus School'))
            ->where('attention_group', 'ready_progress')
            ->orderBy('id')
            ->firstOrFail();
    }
}
