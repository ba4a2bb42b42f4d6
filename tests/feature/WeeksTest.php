<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\PlanSessions;
use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\PlannedSession;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Rung\Core\Time\Day;

/** Moving planned sessions: what breaks is shown first, the athlete gets a message after, and it can be taken back. */
final class WeeksTest extends TestCase
{
    use AtTheDesk;

    public function testASessionIsMovedShownAndTakenBack(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $page = $this->weeks($case);
        self::assertSame(1, preg_match('/^\d{4}-\d\d-\d\d$/', self::text($page->json('from'))));
        $session = $this->open($case, 2);
        $to = self::text(date('Y-m-d', (int) strtotime("$session->on +1 day")));
        $before = $this->calendar($case);

        $preview = $this->ask($own, 'POST', "/api/cases/$case->id/weeks/preview", [
            'moves' => [['session' => $session->id, 'on' => $to]],
        ])->assertOk();
        self::assertNotSame([], $preview->json('breaks'), 'two kinds of session on one day at least');
        self::assertSame($before, $this->calendar($case), 'a preview moves nothing');

        $moved = $this->move($case, [$session->id => $to], 'Travels on that day')->assertStatus(201);
        self::assertStringStartsWith('Moved: ', self::text($moved->json('words')));
        $row = PlannedSession::query()->findOrFail($session->id);
        self::assertSame([$to, $session->on], [$row->on, $row->moved_from]);
        self::assertTrue(
            AccessLogEntry::query()->whereJsonContains('cases', $case->id)->where('what', 'moved sessions')->exists(),
        );
        self::assertStringContainsString(
            ' to ',
            self::text($case->messages()->where('kind', 'message')->firstOrFail()->words),
        );
        $phone = (array) $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')
            ->assertOk()
            ->json('cases.0.sessions');
        self::assertSame(
            $to,
            data_get(collect($phone)->firstWhere('planned', $session->id), 'on'),
            'the phone has it on its new day',
        );

        // The plan is filled up again every night and at every decision: what was moved stays.
        PlanSessions::ahead($case->refresh());
        self::assertSame($to, PlannedSession::query()->findOrFail($session->id)->on);
        self::assertSame(count($before), count($this->calendar($case)), 'and nothing comes in its place');

        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/" . self::text($moved->json('id')))->assertStatus(
            201,
        );
        self::assertSame($before, $this->calendar($case));
        self::assertNull(PlannedSession::query()->findOrFail($session->id)->moved_from);
        self::assertSame(
            1,
            $case->messages()->where('words', 'like', 'No longer: Moved: %')->count(),
            'and the athlete gets a message',
        );
    }

    public function testWhatWasPutOffOrDoneEarlierStaysOnceItsDayIsOver(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $off = $this->open($case, 0);
        $on = $this->rows($case)->firstWhere('slot', '!=', $off->slot);
        self::assertNotNull($on);
        $later = $on->on;
        // One is put off, and one of the other kind comes earlier in its place.
        $this->move($case, [$off->id => $later, $on->id => $off->on])->assertStatus(201);
        CarbonImmutable::setTestNow(CarbonImmutable::parse("$later 09:00", 'Europe/Lisbon'));
        PlanSessions::ahead($case->refresh());
        $row = PlannedSession::query()->findOrFail($off->id);
        self::assertSame([$later, false], [$row->on, $row->withdrawn]);
        self::assertSame(
            0,
            PlannedSession::query()
                ->where('case_id', $case->id)
                ->where('withdrawn', false)
                ->where('on', $on->on)
                ->where('slot', $on->slot)
                ->count(),
            'it is not asked for a second time',
        );
        PlanSessions::ahead($case->refresh());
        self::assertFalse(
            PlannedSession::query()->findOrFail($off->id)->withdrawn,
            'however often the calendar is filled up',
        );
    }

    public function testTwoSessionsChangePlaces(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $session = $this->open($case, 1);
        $same = $this->rows($case)
            ->where('slot', $session->slot)
            ->where('id', '!=', $session->id)
            ->firstWhere('on', '>', $session->on);
        self::assertNotNull($same);
        $this->move($case, [$session->id => $same->on])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves.0.on' => 'has such a session already']);
        $this->move($case, [$session->id => $same->on, $same->id => $session->on])->assertStatus(201);
        self::assertSame(
            [$same->on, $session->on],
            [PlannedSession::query()->findOrFail($session->id)->on, PlannedSession::query()->findOrFail($same->id)->on],
        );
        // Moved back by hand it is a move no more.
        $this->move($case, [$session->id => $session->on, $same->id => $same->on])->assertStatus(201);
        self::assertNull(PlannedSession::query()->findOrFail($session->id)->moved_from);
    }

    public function testASessionIsLeftOutAndNothingComesInItsPlace(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $before = $this->calendar($case);
        [$session, $moved] = [$this->open($case, 2), $this->open($case, 4)];
        $this->move($case, [$moved->id => date('Y-m-d', (int) strtotime("$moved->on +1 day"))])->assertStatus(201);
        $between = $this->calendar($case);
        $left = $this->move($case, [$session->id => null, $moved->id => null], 'A tired week')->assertStatus(201);
        self::assertStringStartsWith('Left out: ', self::text($left->json('words')));
        $without = array_values(
            array_filter(
                $between,
                static fn(string $row): bool => !str_contains($row, $session->id) && !str_contains($row, $moved->id),
            ),
        );
        self::assertSame($without, $this->calendar($case));
        PlanSessions::ahead($case->refresh());
        self::assertSame($without, $this->calendar($case), 'however often the calendar is filled up');
        self::assertSame(1, $case->messages()->where('words', 'like', 'Left out: %')->count());
        $phone = (array) $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')
            ->assertOk()
            ->json('cases.0.sessions');
        self::assertNull(collect($phone)->firstWhere('planned', $session->id), 'the phone asks for it no more');

        $undo = fn(TestResponse $made): TestResponse => $this->ask(
            $this->practitioner(),
            'DELETE',
            "/api/cases/$case->id/decisions/" . self::text($made->json('id')),
        )->assertStatus(201);
        $undo($left);
        self::assertSame($between, $this->calendar($case));
        // In another stage it is asked for again.
        $left = $this->move($case, [$session->id => null])->assertStatus(201);
        PlannedSession::query()
            ->whereKey($session->id)
            ->update(['stage' => 'holds']);
        PlanSessions::ahead($case->refresh());
        self::assertCount(count($before), $this->calendar($case));
    }

    public function testASessionIsDoneOnceMoreAndStaysUntilTheStageEnds(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $ola = $this->practitioner();
        $session = $case->plannedSessions()->where('on', '>', '2026-04-14')->firstOrFail();
        $on = CarbonImmutable::parse($session->on)->addDay()->toDateString();
        $again = ['moves' => [['session' => $session->id, 'on' => $on, 'again' => true]]];
        $count = fn(): int => $case->plannedSessions()->where('on', '>=', '2026-04-14')->count();
        $before = $count();
        $sums = fn(array $moves): mixed => $this->ask(
            $ola,
            'POST',
            "/api/cases/$case->id/weeks/preview?weeks=4",
            $moves,
        )
            ->assertOk()
            ->json();
        $looked = $sums($again);
        self::assertIsArray($looked);
        self::assertNotSame([], $looked['breaks'], 'two days running break a rule, and it is said before');
        self::assertNotEquals(
            $this->ask($ola, 'GET', "/api/cases/$case->id/weeks?weeks=4")->json('sums'),
            $looked['sums'],
            'it counts in the sums of its week',
        );
        self::assertSame($before, $count(), 'looking puts nothing in');

        $this->ask($ola, 'POST', "/api/cases/$case->id/moves", [
            'moves' => [['session' => $session->id, 'on' => null, 'again' => true]],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('moves.0.on');
        $this->ask($ola, 'POST', "/api/cases/$case->id/moves", [
            'moves' => [['session' => $session->id, 'on' => '2026-04-13', 'again' => true]],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('moves.0.on');
        $done = $this->ask(
            $ola,
            'POST',
            "/api/cases/$case->id/moves",
            $again + ['reason' => 'She asked for it'],
        )->assertStatus(201);
        self::assertMatchesRegularExpression('/^Once more: .+ on \w{3} \d+ Apr$/', self::text($done->json('words')));
        self::assertSame($before + 1, $count());
        self::assertSame(
            self::text($done->json('words')) . '.',
            $case->messages()->firstOrFail()->words,
            'the athlete gets a message',
        );
        // The calendar is filled again each day: what was put in stays, and nothing else is gone.
        PlanSessions::ahead($case->refresh());
        self::assertSame($before + 1, $count());
        $added = PlannedSession::query()->where('case_id', $case->id)->where('added', true)->firstOrFail();
        self::assertSame([$on, $session->slot, false], [$added->on, $added->slot, $added->withdrawn]);
        self::assertContains(
            $added->id,
            array_column(
                (array) $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->json('cases.0.sessions'),
                'planned',
            ),
        );

        // Taken back it is gone; done again it goes with the stage.
        $this->ask($ola, 'DELETE', "/api/cases/$case->id/decisions/" . self::text($done->json('id')))->assertStatus(
            201,
        );
        self::assertSame($before, $count());
        $this->ask($ola, 'POST', "/api/cases/$case->id/moves", $again)->assertStatus(201);
        $this->ask($ola, 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'stage',
            'stage' => 'springs',
            'reason' => 'Ready',
            'revision' => $case->refresh()->revision,
        ])->assertStatus(201);
        self::assertSame(0, $case->plannedSessions()->where('added', true)->count());
    }

    public function testShowsAndDaysOffAreLookedAtMarkedShownAndTakenBack(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $session = $this->open($case, 1);
        $before = $this->calendar($case);
        [$events, $blocked] = [self::isos($case->events), self::isos($case->blocked)];
        $ahead = array_values(array_filter($events, static fn(string $on): bool => $on >= '2026-04-14'));
        $asked = ['events' => [...$ahead, '2026-06-06'], 'blocked' => [$session->on]];
        $preview = $this->ask($own, 'POST', "/api/cases/$case->id/weeks/days/preview", $asked)->assertOk();
        self::assertStringContainsString('no training on ', self::text($preview->json('words')));
        self::assertNotContains(
            $session->on,
            array_column((array) $preview->json('weeks.sessions'), 'on'),
            'nothing stands on the day',
        );
        self::assertSame(
            [$before, $events, $blocked],
            [$this->calendar($case), self::isos($case->refresh()->events), self::isos($case->blocked)],
            'a preview stores nothing',
        );

        $made = $this->ask(
            $own,
            'PUT',
            "/api/cases/$case->id/weeks/days",
            $asked + ['reason' => 'Travels'],
        )->assertStatus(201);
        self::assertEquals(
            [[...$events, '2026-06-06'], [...$blocked, $session->on]],
            [self::isos($case->refresh()->events), self::isos($case->blocked)],
            'what is over stays',
        );
        self::assertSame(
            array_column((array) $preview->json('weeks.sessions'), 'on'),
            array_column((array) $this->weeks($case)->json('sessions'), 'on'),
            'as it was shown before',
        );
        self::assertTrue(
            AccessLogEntry::query()->whereJsonContains('cases', $case->id)->where('what', 'marked days')->exists(),
        );
        self::assertStringContainsString(
            'no training on',
            self::text($case->messages()->where('words', 'like', 'Your calendar: %')->firstOrFail()->words),
        );
        $this->ask($own, 'PUT', "/api/cases/$case->id/weeks/days", $asked)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['events' => 'as they were']);
        $this->ask($own, 'PUT', "/api/cases/$case->id/weeks/days", ['events' => ['2026-04-13'], 'blocked' => []])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['events' => 'from today to 400 days ahead']);
        $this->ask($own, 'PUT', "/api/cases/$case->id/weeks/days", ['events' => [], 'blocked' => ['2027-12-01']])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['blocked' => 'from today to 400 days ahead']);

        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/" . self::text($made->json('id')))->assertStatus(
            201,
        );
        self::assertSame([$events, $blocked], [self::isos($case->refresh()->events), self::isos($case->blocked)]);
        self::assertSame(
            1,
            $case->messages()->where('words', 'like', 'No longer: Calendar: %')->count(),
            'and the athlete gets a message',
        );
        self::assertSame(
            array_map(static fn(string $row): string => substr($row, 0, -37), $before),
            array_map(static fn(string $row): string => substr($row, 0, -37), $this->calendar($case)),
        );
    }

    public function testSportBesideThePlanCountsInItsWeekAndIsTakenBack(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $case
            ->forceFill([
                'expected_sport' => [['on' => '2026-04-10', 'what' => 'Show', 'minutes' => 60, 'effort' => 8]],
            ])
            ->save();
        $days = [
            'events' => array_values(
                array_filter(self::isos($case->events), static fn(string $on): bool => $on >= '2026-04-14'),
            ),
            'blocked' => [],
        ];
        $sport = [
            ['on' => '2026-04-23', 'what' => 'Rehearsal', 'minutes' => 90, 'effort' => 6],
            ['on' => '2026-04-22', 'what' => '', 'minutes' => 30, 'effort' => 2],
        ];
        $week = static fn(mixed $sums): mixed => data_get(
            collect((array) $sums)->firstWhere('from', '2026-04-20'),
            'figures',
        );
        $minutes = static fn(mixed $sums): mixed => data_get(
            collect((array) $week($sums))->firstWhere('key', 'sport_min'),
            'ahead',
            0,
        );
        $before = $minutes($this->weeks($case)->json('sums'));
        self::assertIsInt($before);
        $preview = $this->ask(
            $own,
            'POST',
            "/api/cases/$case->id/weeks/days/preview",
            $days + ['sport' => $sport],
        )->assertOk();
        self::assertSame($before + 120, $minutes($preview->json('weeks.sums')));
        $made = $this->ask($own, 'PUT', "/api/cases/$case->id/weeks/days", $days + ['sport' => $sport])->assertStatus(
            201,
        );
        self::assertSame(
            'Calendar: Practice, 30 min at an effort of 2, on Wed 22 Apr; Rehearsal, 90 min at an effort of 6, on Thu 23 Apr',
            $made->json('words'),
        );
        self::assertSame(
            ['2026-04-10', '2026-04-22', '2026-04-23'],
            self::isos(array_column($case->refresh()->expected_sport, 'on')),
            'in order, and what is over stays',
        );
        // Left out it is as it was; another list takes its place.
        $this->ask($own, 'PUT', "/api/cases/$case->id/weeks/days", $days)->assertStatus(422);
        $other = $this->ask(
            $own,
            'PUT',
            "/api/cases/$case->id/weeks/days",
            $days + ['sport' => [$sport[0]]],
        )->assertStatus(201);
        self::assertSame(
            'Calendar: no longer: Practice, 30 min at an effort of 2, on Wed 22 Apr',
            $other->json('words'),
        );
        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/" . self::text($other->json('id')))->assertStatus(
            201,
        );
        self::assertCount(3, $case->refresh()->expected_sport);
        $this->ask(
            $own,
            'PUT',
            "/api/cases/$case->id/weeks/days",
            $days + ['sport' => [['on' => '2026-04-13'] + $sport[0]]],
        )
            ->assertStatus(422)
            ->assertJsonValidationErrors(['sport.0.on' => 'from today']);
        $this->ask(
            $own,
            'PUT',
            "/api/cases/$case->id/weeks/days",
            $days + ['sport' => [['minutes' => 900] + $sport[0]]],
        )
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('sport.0.minutes');
    }

    public function testDaysAreReadFromATextAndNothingIsStored(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $read = fn(string $text): TestResponse => $this->ask(
            $this->practitioner(),
            'POST',
            "/api/cases/$case->id/weeks/days/read",
            ['text' => $text],
        );
        $read("18 Apr gala\nsoon")
            ->assertOk()
            ->assertJson(['days' => [['on' => '2026-04-18', 'title' => 'gala']], 'more' => 0])
            ->assertJsonCount(1, 'faults');
        $read('BEGIN:VCALENDAR')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['text' => 'cannot be read as one']);
        $read(' ')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['text' => 'at least one day']);
        self::assertNotContains('2026-04-18', self::isos($case->refresh()->blocked));
    }

    public function testALighterWeekIsTriedBeforeItIsInForce(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $before = $this->calendar($case);
        $asked = $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/weeks/lighter", [
            'week' => '2026-04-22',
            'less_percent' => 50,
        ])->assertOk();
        $moves = (array) $asked->json('moves');
        self::assertNotSame([], $moves);
        self::assertSame($before, $this->calendar($case), 'nothing is in force');
        $inWeek = fn(): int => PlannedSession::query()
            ->where('case_id', $case->id)
            ->where('withdrawn', false)
            ->whereBetween('on', ['2026-04-20', '2026-04-26'])
            ->count();
        $sum = static fn(TestResponse $page): mixed => data_get(
            collect((array) $page->json('sums'))->firstWhere('from', '2026-04-20'),
            'figures.0.ahead',
        );
        $now = $inWeek();
        $preview = $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/weeks/preview", [
            'moves' => $moves,
        ])->assertOk();
        self::assertLessThan($sum($this->weeks($case)), $sum($preview), 'the sums follow what is tried');
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/moves", ['moves' => $moves])->assertStatus(201);
        self::assertSame($now - count($moves), $inWeek());
        self::assertSame($sum($preview), $sum($this->weeks($case)));
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/weeks/lighter", [
            'week' => 'soon',
            'less_percent' => 50,
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['week' => 'must be a day of it']);
    }

    public function testTwelveWeeksGoOnAsThePlanWouldAsk(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        self::assertSame([], $this->weeks($case)->json('later'));
        $page = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/weeks?weeks=12")->assertOk();
        $later = array_column((array) $page->json('later'), 'on');
        self::assertSame(
            ['2026-05-12', '2026-07-06'],
            [$later[0] ?? null, end($later)],
            'from the end of what is planned to the last day, without a gap',
        );
        self::assertCount(14, (array) $page->json('sums'));
        self::assertNotContains(
            0,
            array_map(
                static fn(mixed $week): int => count((array) data_get($week, 'figures')),
                array_slice((array) $page->json('sums'), 1),
            ),
        );
    }

    public function testTheStagesAreReckonedBackFromADay(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $ask = fn(string $by): TestResponse => $this->ask(
            $this->practitioner(),
            'GET',
            "/api/cases/$case->id/countdown?by=$by",
        );
        $far = $ask('2027-03-01')->assertOk();
        self::assertSame('enough', $far->json('pace'));
        self::assertNotSame([], $far->json('stages'));
        self::assertMatchesRegularExpression(
            '/^.+ must begin by \w{3} \d+ \w{3}\. As things stand it begins /',
            self::text($far->json('stages.0.words')),
        );
        self::assertStringContainsString('no forecast for a person', self::text($far->json('note')));
        self::assertSame('too_late', $ask('2026-04-20')->assertOk()->json('pace'));
        $ask('2026-04-14')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['by' => 'from tomorrow to 400 days ahead']);
        $ask('soon')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['by' => 'Choose the day']);
        $case->forceFill(['closed_on' => '2026-04-13'])->save();
        $ask('2026-09-01')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['by' => 'the programme is finished']);
    }

    public function testWhatWasDoneIsShownByHowItWasAnswered(): void
    {
        $sessions = collect((array) $this->weeks($this->caseOf('Juno Tamsin'))->json('sessions'));
        $done = $sessions->where('state', 'done');
        self::assertNotEmpty($done);
        self::assertSame(
            0,
            $done->filter(static fn(mixed $value): bool => data_get($value, 'hook.verdict') === null)->count(),
        );
        self::assertSame(
            0,
            $sessions
                ->where('state', 'planned')
                ->filter(static fn(mixed $session): bool => data_get($session, 'on') < '2026-04-14')
                ->count(),
            'what is over and not done is missed',
        );
    }

    public function testAnAthleteMovesASessionWhereNothingBreaksAndElseAsks(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $session = $this->rows($case)->where('slot', 'hold')->values()->get(1);
        self::assertInstanceOf(PlannedSession::class, $session);
        $days = (array) $this->ask($juno, 'GET', "/api/today/planned/$session->id/days")
            ->assertOk()
            ->json('choices');
        $broken = collect($days)->firstWhere('free', false);
        self::assertNotSame([], data_get($broken, 'words'));
        $asks = ['planned' => $session->id, 'on' => self::text(data_get($broken, 'on')), 'why' => 'Rehearsal'];
        $id = (string) Str::uuid7();
        foreach ([1, 2] as $time) {
            $this->ask($juno, 'PUT', "/api/today/moves/$id", $asks)
                ->assertOk()
                ->assertExactJson(['moved' => false]);
        }
        $message = $case
            ->messages()
            ->where('user_id', $juno->id)
            ->where('words', 'like', 'Asks for another day: %')
            ->get();
        self::assertCount(1, $message, 'sent twice it is asked once');
        self::assertStringContainsString('“Rehearsal” What speaks against it: ', $message[0]->words ?? '');
        self::assertNotNull($case->refresh()->asked_at, 'it stands on the Round until it is answered');
        self::assertSame($session->on, PlannedSession::query()->findOrFail($session->id)->on);

        // Tomorrow is without training for the other kind: a day becomes free.
        $other = $this->rows($case)->firstWhere('slot', '!=', $session->slot);
        self::assertNotNull($other);
        $this->move($case, [$other->id => null])->assertStatus(201);
        $free = collect(
            (array) $this->ask($juno, 'GET', "/api/today/planned/$session->id/days")->json('choices'),
        )->firstWhere('free', true);
        self::assertNotNull($free);
        $to = self::text(data_get($free, 'on'));
        $id = (string) Str::uuid7();
        foreach ([1, 2] as $time) {
            $this->ask($juno, 'PUT', "/api/today/moves/$id", ['planned' => $session->id, 'on' => $to])
                ->assertOk()
                ->assertExactJson(['moved' => true]);
        }
        self::assertSame(
            [$to, $session->on],
            [
                PlannedSession::query()->findOrFail($session->id)->on,
                PlannedSession::query()->findOrFail($session->id)->moved_from,
            ],
        );
        $decision = $case->decisions()->where('user_id', $juno->id)->get();
        self::assertCount(1, $decision);
        self::assertStringStartsWith('Moved by the athlete: ', $decision[0]->words ?? '');
        self::assertTrue(
            AccessLogEntry::query()->where('user_id', $juno->id)->where('what', 'asked for another day')->exists(),
        );
        $this->ask(
            $this->practitioner(),
            'DELETE',
            "/api/cases/$case->id/decisions/" . ($decision[0]->id ?? ''),
        )->assertStatus(201);
        self::assertSame(
            $session->on,
            PlannedSession::query()->findOrFail($session->id)->on,
            'a practitioner can take it back',
        );

        $this->ask($juno, 'PUT', '/api/today/moves/' . Str::uuid7(), ['planned' => $session->id, 'on' => '2026-06-30'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['on' => 'that are offered']);
        $foreign = $this->open($this->caseOf('Piet Olander'), 1);
        $this->ask($juno, 'PUT', '/api/today/moves/' . Str::uuid7(), ['planned' => $foreign->id, 'on' => $to])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['planned' => 'no session']);
        $this->ask($juno, 'GET', "/api/today/planned/$foreign->id/days")->assertStatus(422);
        $this->ask($juno, 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
            'at' => '2026-04-14T07:30:00+01:00',
            'provocation' => 9,
            'signs' => ['swelling'],
        ])->assertStatus(201);
        $this->ask($juno, 'GET', "/api/today/planned/$session->id/days")
            ->assertOk()
            ->assertExactJson(['choices' => []]);
        $this->ask($juno, 'PUT', '/api/today/moves/' . Str::uuid7(), ['planned' => $session->id, 'on' => $to])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['planned' => 'you are to be seen first']);
    }

    public function testUnderAStopNothingIsMoved(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $opened = $this->open($case, 2);
        self::assertFalse($this->weeks($case)->json('stopped'));
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
            'at' => '2026-04-14T07:30:00+01:00',
            'provocation' => 9,
            'signs' => ['swelling'],
        ])->assertStatus(201);
        self::assertTrue($this->weeks($case)->json('stopped'));
        self::assertSame(
            [false],
            array_values(
                array_unique(
                    array_map(
                        static fn(mixed $session): bool => data_get($session, 'open') === true,
                        (array) $this->weeks($case)->json('sessions'),
                    ),
                ),
            ),
        );
        $this->move($case, [$opened->id => date('Y-m-d', (int) strtotime("$opened->on +1 day"))])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves' => 'a stop is open']);
        self::assertSame(
            0,
            $case->messages()->where('words', 'like', 'Moved: %')->count(),
            'an athlete under a stop gets no message about sessions',
        );
    }

    public function testWhatCannotMoveIsRefusedAtItsPlace(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $session = $this->open($case, 1);
        $this->move($case, [$session->id => '2026-04-13'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves.0.on' => 'from today to 28 days ahead']);
        $this->move($case, [$session->id => '2026-05-12'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves.0.on' => 'from today to 28 days ahead']);
        $this->move($case, [$session->id => $session->on])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves' => 'goes to another day']);
        $past = PlannedSession::query()
            ->where('case_id', $case->id)
            ->where('on', '<', '2026-04-14')
            ->where('on', '>=', '2026-04-07')
            ->firstOrFail();
        $this->move($case, [$past->id => '2026-04-20'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves.0.session' => 'planned and not done yet']);
        $foreign = $this->open($this->caseOf('Piet Olander'), 1);
        $this->move($case, [$foreign->id => '2026-04-20'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves.0.session' => 'of this case']);
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/moves", [
            'moves' => [
                ['session' => $session->id, 'on' => '2026-04-20'],
                ['session' => $session->id, 'on' => '2026-04-21'],
            ],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['moves.1.session' => 'there twice']);
        self::assertSame(0, $case->decisions()->where('kind', 'move')->count());
    }

    public function testWhatIsBrokenIsShownAndTheFewestMovesMendIt(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        self::assertSame([], $this->weeks($case)->json('clashes'));
        $session = $this->open($case, 3);
        $case->forceFill(['blocked' => [$session->on]])->save();
        $clash = $this->weeks($case)->json('clashes.0');
        self::assertSame([$session->id, $session->on], [data_get($clash, 'session'), data_get($clash, 'on')]);
        self::assertStringContainsString('the day is blocked', self::text(data_get($clash, 'words')));
        $plan = $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/weeks/replan")->assertOk();
        self::assertNotSame([[], []], [$plan->json('moves'), $plan->json('left_out')]);
        // What is moved, and what finds no day and is left out: then every rule is kept.
        $out = array_map(
            static fn(mixed $id): array => ['session' => $id, 'on' => null],
            (array) $plan->json('left_out'),
        );
        $preview = $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/weeks/preview", [
            'moves' => [...(array) $plan->json('moves'), ...$out],
        ])->assertOk();
        self::assertSame([[], []], [$preview->json('breaks'), $preview->json('stays')]);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function weeks(CareCase $case): TestResponse
    {
        return $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/weeks")->assertOk();
    }

    /**
     * @param array<string, string|null> $moves days by session; null: left out
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function move(CareCase $case, array $moves, ?string $reason = null): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/moves", [
            'moves' => array_map(
                static fn(string $session, ?string $on): array => ['session' => $session, 'on' => $on],
                array_keys($moves),
                array_values($moves),
            ),
            'reason' => $reason,
        ]);
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, PlannedSession> that may be moved, after today */
    private function rows(CareCase $case): \Illuminate\Database\Eloquent\Collection
    {
        return PlannedSession::query()
            ->where('case_id', $case->id)
            ->where('withdrawn', false)
            ->where('on', '>', '2026-04-14')
            ->where('on', '<', '2026-05-09')
            ->where('slot', '!=', 'support')
            ->orderBy('on')
            ->orderBy('slot')
            ->get();
    }

    private function open(CareCase $case, int $at): PlannedSession
    {
        $session = $this->rows($case)->values()->get($at);
        self::assertInstanceOf(PlannedSession::class, $session);

        return $session;
    }

    /** @return list<string> */
    private function calendar(CareCase $case): array
    {
        return array_values(
            PlannedSession::query()
                ->where('case_id', $case->id)
                ->where('withdrawn', false)
                ->where('on', '>=', '2026-04-14')
                ->orderBy('on')
                ->orderBy('slot')
                ->get()
                ->map(
                    static fn(
                        PlannedSession $planned,
                    ): string => "$planned->on $planned->slot $planned->number $planned->id",
                )
                ->all(),
        );
    }

    /**
     * @param list<Day> $days
     *
     * @return list<string>
     */
    private static function isos(array $days): array
    {
        return array_map(static fn(Day $day): string => $day->toIso(), $days);
    }
}
