<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Rung\Core\Decision\ActionKind;

/** How a case ends, is found again and goes on. */
final class EndingTest extends TestCase
{
    use AtTheDesk;

    public function testACaseIsClosedForAReasonFoundAgainAndTakenBack(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $own = $this->practitioner();
        $this->decide($case, ['kind' => 'close', 'ending' => 'discharged', 'reason' => ' '])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['reason' => 'is needed']);
        $this->decide($case, ['kind' => 'close', 'ending' => 'referred', 'reason' => 'Night pain'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['refer_to' => 'say to whom']);
        $this->decide($case, ['kind' => 'close', 'reason' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('ending');
        self::assertSame([], $this->ask($own, 'GET', '/api/closed-cases')->json('cases'));

        $id = self::text(
            $this->decide($case, [
                'kind' => 'close',
                'ending' => 'referred',
                'refer_to' => 'the knee clinic',
                'reason' => 'Night pain',
            ])
                ->assertStatus(201)
                ->assertJsonPath('words', 'Closed: referred to the knee clinic')
                ->json('id'),
        );
        self::assertSame('2026-04-14', $case->refresh()->closed_on);
        $this->ask($own, 'GET', '/api/closed-cases?search=basil')
            ->assertJsonPath('cases.0.id', $case->id)
            ->assertJsonPath('cases.0.words', 'Closed: referred to the knee clinic')
            ->assertJsonPath('cases.0.by', $own->name)
            ->assertJsonPath('more', false);
        self::assertSame([], $this->ask($own, 'GET', '/api/closed-cases?search=nobody')->json('cases'));
        self::assertNotContains($case->id, (array) $this->ask($own, 'GET', '/api/round')->json('cases.*.id'));
        Auth::forgetGuards();
        $page = $this->ask($this->athlete('Basil Thorne'), 'GET', '/api/today');
        self::assertSame(
            [[], 'Closed: referred to the knee clinic', 'Night pain', $own->name],
            [
                $page->json('cases'),
                $page->json('closed.0.how'),
                $page->json('closed.0.why'),
                $page->json('closed.0.closed_by'),
            ],
        );
        Auth::forgetGuards();
        // Another practice does not find it.
        self::assertSame(
            [],
            $this->ask($this->practitioner('Another Practice'), 'GET', '/api/closed-cases')->json('cases'),
        );
        Auth::forgetGuards();
        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
        self::assertNull($case->refresh()->closed_on);
        self::assertSame([], $this->ask($own, 'GET', '/api/closed-cases')->json('cases'));
    }

    public function testWhileAStopWaitsACaseEndsOnlyByHandingTheAthleteOn(): void
    {
        $case = $this->caseOf('Fenn Harrow');
        self::assertTrue($case->snapshot?->isStopped());
        foreach (['discharged', 'stopped'] as $ending) {
            $this->decide($case, ['kind' => 'close', 'ending' => $ending, 'reason' => 'Moved away'])
                ->assertStatus(422)
                ->assertJsonValidationErrors(['ending' => 'while a stop waits']);
        }
        $this->decide($case, [
            'kind' => 'close',
            'ending' => 'referred',
            'refer_to' => 'emergency care',
            'reason' => 'Swelling',
        ])->assertStatus(201);
    }

    public function testAClosedCaseIsOpenedAgainOneStepLowerAndASecondOneIsRefused(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $own = $this->practitioner();
        $this->decide($case, ['kind' => 'reopen', 'reason' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['kind' => 'this case is open']);
        $this->decide($case, ['kind' => 'close', 'ending' => 'stopped', 'reason' => 'On tour'])->assertStatus(201);
        $this->decide($case, ['kind' => 'close', 'ending' => 'stopped', 'reason' => 'Again'])->assertStatus(422);
        $before = $this->ask($own, 'GET', "/api/cases/$case->id")->json('prescriptions');
        $id = self::text(
            $this->decide($case, ['kind' => 'reopen', 'reason' => 'It hurts again'])
                ->assertStatus(201)
                ->json('id'),
        );
        self::assertNull($case->refresh()->closed_on);
        $page = $this->ask($own, 'GET', "/api/cases/$case->id");
        self::assertNotEquals($before, $page->json('prescriptions'), 'the doses are lower');
        self::assertStringStartsWith('Reopened, one step lower: ', self::text($page->json('decisions.0.words')));
        self::assertNotEmpty($page->json('coming'));
        self::assertTrue($page->json('decisions.0.can_undo'));

        // The same structure of the same athlete is not opened twice; another side is another case.
        $again = fn(string $side): \Illuminate\Testing\TestResponse => $this->ask(
            $own,
            'POST',
            '/api/cases',
            OpeningTest::opening([
                'id' => (string) Str::uuid7(),
                'athlete' => ['id' => $case->athlete_id],
                'side' => $side,
                'severity' => null,
            ]),
        );
        self::assertSame(['patellar_tendon', 'left'], [$case->structure, $case->side]);
        foreach (['left', 'both'] as $side) {
            $again($side)
                ->assertStatus(422)
                ->assertJsonValidationErrors(['structure' => 'in a case of this athlete that is open']);
        }
        $again('right')->assertStatus(201);

        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
        self::assertSame('2026-04-14', CareCase::query()->findOrFail($case->id)->closed_on);
        $again('left')->assertStatus(201);
        $this->decide($case, ['kind' => 'reopen', 'reason' => 'Again'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['kind' => 'another open case']);
    }

    public function testAFinishedProgrammeIsKeptUpUntilItIsAskedWhetherItStaysGood(): void
    {
        $case = CareCase::query()
            ->whereHas('practice', static fn($query) => $query->where('name', 'Ropewalk Circus School'))
            ->get()
            ->firstOrFail(
                static fn(CareCase $careCase): bool => $careCase->snapshot?->proposed->action->kind ===
                    ActionKind::Finish,
            );
        $own = $this->practitioner();
        $this->decide($case, ['kind' => 'accept'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['maintenance' => 'once or twice a week, or discharge']);
        $this->decide($case, ['kind' => 'accept', 'maintenance' => 3])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('maintenance');

        $ahead = static fn(): int => $case
            ->plannedSessions()
            ->where('on', '>=', '2026-04-14')
            ->where('withdrawn', false)
            ->count();
        $before = $ahead();
        $id = self::text(
            $this->decide($case, ['kind' => 'accept', 'maintenance' => 1])
                ->assertStatus(201)
                ->assertJsonPath('words', 'Finished: the doses are kept up once a week until Tue 9 Jun')
                ->json('id'),
        );
        self::assertNull($case->refresh()->closed_on);
        $page = $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('maintenance', ['per_week' => 1, 'from' => '2026-04-14', 'until' => '2026-06-09'])
            ->assertJsonPath('standing.action', 'repeat')
            ->assertJsonPath('standing.acceptable', false)
            ->assertJsonPath('standing.group', 'on_course')
            ->assertJsonPath('proposals', []);
        self::assertStringContainsString('Keep up the maintenance dose', self::text($page->json('standing.headline')));
        $planned = $case
            ->plannedSessions()
            ->where('on', '>=', '2026-04-14')
            ->where('withdrawn', false)
            ->pluck('on')
            ->all();
        self::assertLessThanOrEqual(5, count($planned));
        self::assertGreaterThanOrEqual(3, count($planned), 'four weeks ahead are planned');
        self::assertGreaterThan(count($planned), $before);

        Auth::forgetGuards();
        $phone = $this->ask($this->athlete($case->athlete->name), 'GET', '/api/today')->assertJsonPath(
            'cases.0.week',
            'Finished. You keep it up once a week until Tue 9 Jun.',
        );
        foreach ((array) $phone->json('cases.0.days') as $day) {
            self::assertIsArray($day);
            $yesterday = \Rung\Core\Time\Day::fromIso(self::text($day['on']))
                ->plus(-1)
                ->toIso();
            $sessions = array_column((array) $phone->json('cases.0.sessions'), 'on');
            if ($day['on'] > '2026-04-14') {
                self::assertSame(
                    in_array($day['on'], $sessions, true) || in_array($yesterday, $sessions, true),
                    $day['asks'],
                    'the morning of ' . self::text($day['on']),
                );
            }
        }
        Auth::forgetGuards();

        // It can be taken back; another stage by hand ends it too.
        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('maintenance', null)
            ->assertJsonPath('standing.action', 'finish');
        self::assertSame($before, $ahead());
        $this->decide($case, ['kind' => 'accept', 'maintenance' => 2])->assertStatus(201);
        // The same stage goes on as often as before; in a programme that is not finished that is no move.
        $stage = self::text($this->ask($own, 'GET', "/api/cases/$case->id")->json('standing.stage.key'));
        $this->decide($case, ['kind' => 'stage', 'stage' => $stage, 'reason' => 'It is not enough'])->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('maintenance', null)
            ->assertJsonPath('standing.action', 'finish');
        self::assertCount(
            $before,
            $case->plannedSessions()->where('on', '>=', '2026-04-14')->where('withdrawn', false)->get(),
        );
        $this->decide($case, ['kind' => 'stage', 'stage' => $stage, 'reason' => 'Again'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['stage' => 'another stage']);
        $this->decide($case, ['kind' => 'accept', 'maintenance' => 2])->assertStatus(201);
        $this->decide($case, [
            'kind' => 'stage',
            'stage' => $case->plan()->stages[0]->stage->key,
            'reason' => 'A new season',
        ])->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('maintenance', null);
    }

    public function testOfAClosedCaseNothingIsPlannedAnyMoreAndAllOfItOnceItIsOpenAgain(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $ahead = static fn(): int => $case
            ->plannedSessions()
            ->where('on', '>', '2026-04-14')
            ->where('withdrawn', false)
            ->count();
        $planned = $ahead();
        self::assertGreaterThan(5, $planned);
        $id = self::text(
            $this->decide($case, ['kind' => 'close', 'ending' => 'stopped', 'reason' => 'On tour'])
                ->assertStatus(201)
                ->json('id'),
        );
        self::assertSame(0, $ahead());
        $this->ask($this->practitioner(), 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
        self::assertSame($planned, $ahead());
        $this->decide($case, ['kind' => 'close', 'ending' => 'stopped', 'reason' => 'On tour'])->assertStatus(201);
        self::assertSame(0, $ahead());
        $this->decide($case, ['kind' => 'reopen', 'reason' => 'Back'])->assertStatus(201);
        self::assertSame($planned, $ahead());
    }
}
