<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Care\CaseHistory;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\PlannedSession;
use App\Support\CatalogueShelf;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Rung\Core\Calendar\Slot;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Plan\FilePlan;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;

/** The way back to sport in steps, times of day, and what begins by a condition, from the desk to the phone. */
final class WayBackTest extends TestCase
{
    use AtTheDesk;

    public function testPracticeIsAskedForStepByStepOnEveryScreen(): void
    {
        $case = $this->caseOf('Ines Calloway');
        $own = $this->practitioner();
        $way = (array) $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertOk()
            ->json('practice');
        self::assertIsArray($way['steps']);
        self::assertCount(6, $way['steps']);
        $at = $way['at'];
        self::assertIsInt($at);
        $step = self::text(data_get($way, "steps.$at.words"));

        // The phone asks for the same step, the days after it for what would follow.
        $page = $this->ask($this->athlete('Ines Calloway'), 'GET', '/api/today')->assertOk();
        $practices = collect((array) $page->json('cases.0.sessions'))
            ->where('kind', 'sport')
            ->where('done', false)
            ->where('on', '>=', '2026-04-14')
            ->values();
        self::assertGreaterThan(1, $practices->count());
        self::assertStringStartsWith(self::text(data_get($practices[0], 'practice.title')) . ': ', $step);
        self::assertSame(
            [$at + 1, 6, $way['why']],
            [
                data_get($practices[0], 'practice.step'),
                data_get($practices[0], 'practice.of'),
                data_get($practices[0], 'practice.why'),
            ],
        );
        self::assertGreaterThanOrEqual(
            data_get($practices[0], 'practice.step'),
            data_get($practices->last(), 'practice.step'),
        );

        // The weeks say so, and their sums count it.
        $weeks = $this->ask($own, 'GET', "/api/cases/$case->id/weeks")->assertOk();
        $planned = collect((array) $weeks->json('sessions'))->firstWhere('id', data_get($practices[0], 'planned'));
        self::assertSame(data_get($practices[0], 'practice.title'), data_get($planned, 'practice.title'));
        self::assertNull(data_get(collect((array) $weeks->json('sessions'))->firstWhere('slot', 'hold'), 'practice'));

        // Too much: one step back, with the reason.
        $this->ask($this->athlete('Ines Calloway'), 'PUT', '/api/today/sessions/' . Str::uuid7(), [
            'planned' => data_get($practices[0], 'planned'),
            'plan_version' => $page->json('cases.0.plan_version'),
            'kind' => 'sport',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'signs' => [],
            'entries' => [['prescription' => null, 'pain' => 5, 'sets' => []]],
            'minutes' => 40,
            'effort' => 6,
            'participation' => 'partial',
        ])->assertStatus(201);
        $after = (array) $this->ask($own, 'GET', "/api/cases/$case->id")->json('practice');
        self::assertSame(
            [max(0, $at - 1), 'One step back: the last time was too much.'],
            [$after['at'], $after['why']],
        );
    }

    public function testTheDayOneWantsToBeReadyByCountsEveryStep(): void
    {
        $case = $this->caseOf('Greta Osei-Vane');
        $own = $this->practitioner();
        $ready = fn(): array => (array) $this->ask($own, 'GET', "/api/cases/$case->id/countdown?by=2026-12-01")
            ->assertOk()
            ->json();
        $long = $ready();
        // The same plan without a way back: three practices in full are all that its last stage asks for.
        $plan = $case
            ->plan()
            ->mapStages(
                static fn(PlanStage $stage): PlanStage => $stage->mapSlots(
                    static fn(Slot $slot): Slot => $slot->withPractice([]),
                ),
            )
            ->toArray();
        $case->planVersions()->create([
            'practice_id' => $case->practice_id,
            'version' => $case->nextVersion(),
            'content' => json_encode($plan, JSON_THROW_ON_ERROR),
            'note' => '',
            'created_at' => CarbonImmutable::now(),
        ]);
        self::assertNotSame($long['ready'], $ready()['ready']);
        self::assertGreaterThan(self::firstDay($ready()), self::firstDay($long), 'the way back takes longer');
    }

    public function testTimesOfDayReachThePhoneTheWeekAndTheCalendar(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $this->prescribe($case, ['slots' => [['key' => 'slow', 'times' => ['25:00']]]])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['slots.0.times.0' => 'time of day']);
        $this->prescribe($case, ['slots' => [['key' => 'none', 'times' => []]]])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['slots.0.key' => 'must name one of the kinds of session']);
        $this->prescribe($case, [
            'slots' => [['key' => 'slow', 'times' => ['18:30']], ['key' => 'hold', 'times' => []]],
        ])
            ->assertStatus(201)
            ->assertJsonPath('words', 'Prescribed: Slow strength: at 18:30');
        $slow = $case
            ->refresh()
            ->plannedSessions()
            ->where('on', '>', '2026-04-14')
            ->where('slot', 'slow')
            ->firstOrFail();

        $phone = $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->assertOk();
        self::assertSame(
            ['18:30', null],
            [
                data_get(collect((array) $phone->json('cases.0.sessions'))->firstWhere('planned', $slow->id), 'at'),
                data_get(collect((array) $phone->json('cases.0.sessions'))->firstWhere('title', 'Holds between'), 'at'),
            ],
        );
        self::assertSame(
            '18:30',
            data_get(
                collect((array) $this->ask($own, 'GET', "/api/cases/$case->id/weeks")->json('sessions'))->firstWhere(
                    'id',
                    $slow->id,
                ),
                'at',
            ),
        );
        self::assertContains('18:30', (array) $this->ask($own, 'GET', "/api/cases/$case->id")->json('coming.*.at'));
        self::assertContains('18:30', self::inWeek($this->ask($own, 'GET', '/api/week?from=2026-04-13'), $case));

        // By the clock on the wall, in summer as in winter.
        $feed = \App\Support\SessionCalendar::forCases([$case], 'Europe/Lisbon');
        self::assertStringContainsString(
            'DTSTART;TZID=Europe/Lisbon:' . str_replace('-', '', $slow->on) . 'T183000',
            $feed,
        );
    }

    public function testWorkGetsDaysOfItsOwnAndTheRhythmGoesOn(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $this->prescribe($case, ['slots' => [['key' => 'hold', 'beside' => ['per_week' => 2, 'min_gap_days' => 3]]]])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['rhythm' => 'must not name a kind of session that has days of its own']);
        $this->prescribe($case, [
            'slots' => [['key' => 'hold', 'beside' => ['per_week' => 2, 'min_gap_days' => 3]]],
            'rhythm' => ['every_days' => 2],
        ])->assertStatus(201);
        $days = static fn(string $slot): array => $case
            ->refresh()
            ->plannedSessions()
            ->where('slot', $slot)
            ->whereBetween('on', ['2026-04-20', '2026-04-26'])
            ->pluck('on')
            ->all();
        self::assertCount(2, $days('hold'));
        self::assertGreaterThanOrEqual(3, count($days('slow')));
        self::assertSame(
            [],
            (array) $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/weeks")->json('clashes'),
            'and breaks no rule of the weeks',
        );
    }

    public function testWorkBesideTheStageIsNoShareOfWhatWasAskedAndShowsHowItWentAllTheSame(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $planned = PlannedSession::query()
            ->where('case_id', $case->id)
            ->where('withdrawn', false)
            ->whereBetween('on', ['2026-03-31', '2026-04-13'])
            ->get();
        self::assertNotEmpty($planned->where('slot', 'support'));
        self::assertSame(
            $planned->where('slot', '!=', 'support')->count(),
            $this->ask($own, 'GET', "/api/cases/$case->id")->json('adherence.due'),
        );

        $weeks = $this->ask($own, 'GET', "/api/cases/$case->id/weeks")->assertOk();
        $done = collect((array) $weeks->json('sessions'))->where('slot', 'support')->where('state', 'done');
        self::assertNotEmpty($done);
        self::assertNotContains(null, $done->pluck('hook')->all());
        self::assertNotContains('Beside the plan', (array) $weeks->json('beside.*.words'), 'it was planned');

        // The file says so too, and is sound.
        self::assertNotContains(
            'support',
            (array) $this->ask($own, 'GET', "/api/cases/$case->id/file")
                ->assertOk()
                ->json('planned.*.slot'),
        );
    }

    public function testACaseFileKeepsWhatWaits(): void
    {
        $own = $this->practitioner();
        $id = self::text(
            $this->ask(
                $own,
                'POST',
                '/api/cases',
                OpeningTest::opening(['programme' => 'knee_comfort_led', 'found' => ['ankle_stiff']]),
            )
                ->assertStatus(201)
                ->json('id'),
        );
        $plan = CareCase::query()->findOrFail($id)->plan();
        $file = CaseFile::fromJson(
            (string) json_encode(CaseHistory::whole(CareCase::query()->findOrFail($id))->toArray()),
        );
        $known = app(CatalogueShelf::class)->forPractice($own->practice_id)->programme('knee_comfort_led')->plan
            ->stages;
        $copy = FilePlan::fromFile($file, $known)->plan;
        $keys = static fn(Plan $of): array => array_map(
            static fn(PlanStage $stage): array => [
                array_column($stage->stage->prescriptions, 'key'),
                array_map(static fn($later): string => $later->prescription->key, $stage->waiting),
            ],
            $of->stages,
        );
        self::assertSame($keys($plan), $keys($copy));
        self::assertSame([], $copy->leftOut);
        self::assertEquals($copy, Plan::fromJson((string) json_encode($copy->toArray())), 'it can be kept');
    }

    public function testWhatWaitsForItsConditionBeginsByItselfAndIsRecordedAsThePlans(): void
    {
        $own = $this->practitioner();
        $id = self::text(
            $this->ask(
                $own,
                'POST',
                '/api/cases',
                OpeningTest::opening(['programme' => 'knee_comfort_led', 'found' => ['ankle_stiff']]),
            )
                ->assertStatus(201)
                ->json('id'),
        );
        $case = CareCase::query()->findOrFail($id);
        $page = $this->ask($own, 'GET', "/api/cases/$id");
        self::assertContains(
            'Ankle and hip mobility',
            (array) $page->json('prescriptions.*.title'),
            'what was found is worked on from the first day',
        );
        self::assertContains('One-leg stand', (array) $page->json('begins_later.*.title'));
        self::assertNotEmpty(PlannedSession::query()->where('case_id', $id)->where('slot', 'support')->get());
        $this->ask($own, 'POST', '/api/start-proposals', OpeningTest::opening(['found' => ['luck']]))
            ->assertStatus(422)
            ->assertJsonValidationErrors(['found.0' => 'must be a finding']);

        // Found later: it begins at once, nobody decides it, and the athlete gets a message.
        $intake = $this->ask($own, 'GET', "/api/cases/$id/intake");
        self::assertContains('balance_poor', (array) $intake->json('findings.*.key'));
        $words = self::text(
            $this->ask($own, 'PUT', "/api/cases/$id/intake", [
                'revision' => $intake->json('revision'),
                'goal' => 'jumping',
                'history' => 'Both knees last autumn',
                'body_mass_kg' => 59.5,
                'found' => ['ankle_stiff', 'balance_poor'],
            ])
                ->assertOk()
                ->json('words'),
        );
        self::assertStringContainsString('Found: a stiff ankle → a stiff ankle, poor balance on one leg', $words);
        $page = $this->ask($own, 'GET', "/api/cases/$id");
        self::assertContains('One-leg stand', (array) $page->json('prescriptions.*.title'));
        $begun = Decision::query()->where('case_id', $id)->where('kind', 'begins')->get();
        self::assertCount(1, $begun);
        self::assertNull($begun->firstOrFail()->user_id);
        self::assertSame(
            ['The plan', $begun[0]->words ?? ''],
            [$page->json('decisions.0.by'), $page->json('decisions.0.words')],
        );
        self::assertStringStartsWith('Begins now: One-leg stand, 2 × 20–45 s', $begun[0]->words ?? '');
        $this->travelTo(CarbonImmutable::parse('2026-04-15 09:00', 'Europe/Lisbon'));
        $this->ask($this->athlete('Odile Marsh'), 'GET', '/api/today')->assertJsonPath(
            'cases.0.news.words',
            $begun[0]->words ?? '',
        );

        // Looked at again nothing begins twice; what is taken back from the intake stays begun.
        Artisan::call('rung:standings', ['--all' => true]);
        $this->ask($own, 'PUT', "/api/cases/$id/intake", [
            'revision' => 1,
            'goal' => 'jumping',
            'history' => 'Both knees last autumn',
            'body_mass_kg' => 59.5,
            'found' => [],
        ])->assertOk();
        self::assertCount(1, Decision::query()->where('case_id', $id)->where('kind', 'begins')->get());
        self::assertContains(
            'One-leg stand',
            (array) $this->ask($own, 'GET', "/api/cases/$id")->json('prescriptions.*.title'),
        );
        // The case file of it is sound: what waits stands where nothing is asked for.
        $this->ask($own, 'GET', "/api/cases/$case->id/file")->assertOk();
    }

    public function testWhatWaitsIsBegunByHandOrLeftOut(): void
    {
        $own = $this->practitioner();
        $id = self::text(
            $this->ask($own, 'POST', '/api/cases', OpeningTest::opening(['programme' => 'knee_comfort_led']))
                ->assertStatus(201)
                ->json('id'),
        );
        $case = CareCase::query()->findOrFail($id);
        $stage = (array) $this->ask($own, 'GET', "/api/cases/$id/plan")->json('stages.0');
        $later = collect((array) $stage['begins_later'])->keyBy('prescription.key');
        self::assertSame('begins once this is found: a stiff ankle', data_get($later, 'bh_mobility.when'));
        $body = [
            'prescriptions' => [
                ...array_column((array) $stage['prescriptions'], 'prescription'),
                data_get($later, 'bh_mobility.prescription'),
            ],
            'begins_later' => ['bh_stand', 'bh_bridge'],
        ];
        $words = self::text($this->prescribe($case, $body)->assertStatus(201)->json('words'));
        self::assertStringContainsString('Added: Ankle and hip mobility', $words);
        self::assertStringContainsString('No longer begins later: Side steps, knees bent', $words);
        self::assertStringNotContainsString('No longer begins later: Ankle', $words);
        $plan = $case->refresh()->plan()->stages[0];
        self::assertSame(
            ['bh_bridge', 'bh_stand'],
            array_map(static fn($waiting): string => $waiting->prescription->key, $plan->waiting),
        );
        self::assertNotNull($plan->stage->prescription('bh_mobility'), 'under the key that it waited with');
    }

    /**
     * @param array<string, mixed> $changed
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function prescribe(CareCase $case, array $changed): TestResponse
    {
        $plan = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/plan")->assertOk();
        $stage = (array) collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));

        return $this->ask(
            $this->practitioner(),
            'POST',
            "/api/cases/$case->id/plan",
            $changed + [
                'revision' => $case->refresh()->revision,
                'stage' => $plan->json('stage'),
                'prescriptions' => array_column((array) $stage['prescriptions'], 'prescription'),
                'why' => 'So it fits the day',
            ],
        );
    }

    /** @param array<mixed> $countdown */
    private static function firstDay(array $countdown): string
    {
        self::assertSame(
            1,
            preg_match('/Ready (?:on|between) \w+ (\d+ \w+)/', self::text($countdown['ready'] ?? ''), $found),
            self::text($countdown['ready'] ?? ''),
        );

        return CarbonImmutable::parse(($found[1] ?? '') . ' 2026')->format('Y-m-d');
    }

    /**
     * @param TestResponse<\Symfony\Component\HttpFoundation\Response> $week
     *
     * @return list<mixed>
     */
    private static function inWeek(TestResponse $week, CareCase $case): array
    {
        $line = collect((array) $week->json('cases'))->firstWhere('id', $case->id);

        return array_merge(
            ...array_map(
                static fn(mixed $day): array => array_column((array) data_get($day, 'sessions'), 'at'),
                array_values((array) data_get($line, 'days')),
            ),
        );
    }
}
