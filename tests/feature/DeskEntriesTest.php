<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\Correction;
use App\Models\TrainingSession;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** A practitioner puts right what was entered wrongly, and enters for the athlete what came on paper or by telephone. */
final class DeskEntriesTest extends TestCase
{
    use AtTheDesk;

    private const WHY = 'Typed into the wrong line, the athlete says';

    public function testAWrongPainIsPutRightAndTheCaseIsJudgedAnew(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $own = $this->practitioner();
        $page = fn(): TestResponse => $this->ask($own, 'GET', "/api/cases/$case->id");
        self::assertContains($page()->json('standing.action'), ['ease', 'step_down']);
        $session = $case->trainingSessions()->reorder('started_at', 'desc')->firstOrFail();
        $pains = array_map(
            static fn(array $entry): array => ['prescription' => $entry['prescription'] ?? null, 'pain' => 0],
            $session->entries,
        );
        $body = [
            'what' => 'session',
            'entry' => $session->id,
            'struck' => false,
            'why' => self::WHY,
            'pains' => $pains,
        ];

        $id = (string) Str::uuid7();
        $this->correct($case, ['why' => 'no'] + $body)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['why' => 'say what was wrong']);
        $this->correct($case, ['pains' => [['prescription' => 'none', 'pain' => 1]]] + $body)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['pains.0.prescription' => 'must name an exercise of that session']);
        $this->correct($case, $body, $id)->assertStatus(201);
        $revision = $case->refresh()->revision;
        $this->correct($case, $body, $id)->assertStatus(200);
        self::assertSame($revision, $case->refresh()->revision, 'sent twice, changed once');
        $this->correct($case, $body)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['entry' => 'stays as it is']);

        $answer = $this->ask($own, 'GET', "/api/cases/$case->id/sessions/$session->id");
        self::assertSame(array_fill(0, count($pains), 0), $answer->json('entries.*.pain'));
        $corrected = (array) $page()->json('corrected.0');
        self::assertSame(
            [$own->name, self::WHY, $session->id],
            [$corrected['by'], $corrected['why'], $corrected['entry']],
        );
        self::assertStringContainsString('pain was', self::text($corrected['words']));
        self::assertSame(
            $session->toArray()['entries'],
            Correction::query()->whereKey($id)->firstOrFail()->before['entries'] ?? null,
            'the former stays in the record',
        );

        // So it is with all that was done on the last days: one morning answers all of it.
        $more = 0;
        foreach (
            $case->trainingSessions()->where('started_at', '>', '2026-04-08')->whereKeyNot($session->id)->get()
            as $other
        ) {
            $zero = array_map(
                static fn(array $entry): array => ['prescription' => $entry['prescription'] ?? null, 'pain' => 0],
                $other->entries,
            );
            $more += $this->correct($case, ['entry' => $other->id, 'pains' => $zero] + $body)->status() === 201 ? 1 : 0;
        }
        // The morning that was too much: struck out, and nothing is eased any more.
        $morning = $case->checkIns()->whereNotNull('provocation')->reorder('at', 'desc')->firstOrFail();
        $this->correct($case, [
            'what' => 'morning',
            'entry' => $morning->id,
            'struck' => false,
            'why' => self::WHY,
            'provocation' => 0,
        ])->assertStatus(201);
        self::assertNotContains($page()->json('standing.action'), ['ease', 'step_down']);
        $this->correct($case, [
            'what' => 'morning',
            'entry' => $morning->id,
            'struck' => true,
            'why' => self::WHY,
        ])->assertStatus(201);
        self::assertStringContainsString(
            'struck out; the test was 0 of 10',
            self::text($page()->json('corrected.0.words')),
        );
        $this->correct($case, ['what' => 'morning', 'entry' => $morning->id, 'struck' => true, 'why' => self::WHY])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['entry' => 'that still counts']);
        self::assertNotContains(
            $morning->id,
            (array) $this->ask($own, 'GET', "/api/cases/$case->id/entries")->json('entries.*.id'),
        );
        self::assertSame(
            3 + $more,
            AccessLogEntry::query()
                ->whereJsonContains('cases', $case->id)
                ->whereIn('what', ['put an entry right', 'struck out an entry'])
                ->count(),
        );
    }

    public function testATestAScoreAndANoteArePutRight(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $this->ask($own, 'POST', "/api/cases/$case->id/tests", [
            'test' => 'knee_extension_strength',
            'on' => '2026-04-14',
            'affected' => 200,
            'unaffected' => 400,
            'unit' => 'N',
        ])->assertStatus(201);
        $test = $case->tests()->reorder('created_at', 'desc')->firstOrFail();
        $body = ['what' => 'test', 'entry' => $test->id, 'struck' => false, 'why' => self::WHY];
        $this->correct($case, $body + ['affected' => 9999])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('affected');
        $this->correct($case, $body + ['affected' => 380])->assertStatus(201);
        $page = $this->ask($own, 'GET', "/api/cases/$case->id");
        $latest = (array) last((array) $page->json('tests'));
        self::assertEquals([380, 95], [$latest['affected'], $latest['symmetry_percent']]);
        self::assertStringContainsString('it was 200 and 400 N', self::text($page->json('corrected.0.words')));
        $tests = count((array) $page->json('tests'));
        $this->correct($case, ['struck' => true] + $body)->assertStatus(201);
        self::assertCount($tests - 1, (array) $this->ask($own, 'GET', "/api/cases/$case->id")->json('tests'));

        $case->outcomes()->create([
            'practice_id' => $case->practice_id,
            'measure' => 'knee severity',
            'on' => '2026-04-13',
            'score' => 40,
            'created_at' => now(),
        ]);
        $score = $case->outcomes()->reorder('created_at', 'desc')->firstOrFail();
        $this->correct($case, [
            'what' => 'score',
            'entry' => $score->id,
            'struck' => false,
            'why' => self::WHY,
            'score' => 70,
        ])->assertStatus(201);
        self::assertSame(70.0, $score->refresh()->score);

        $note = self::text(
            $this->decide($case, ['kind' => 'note', 'reason' => 'Seen with the coach'])
                ->assertStatus(201)
                ->json('id'),
        );
        $this->correct($case, ['what' => 'note', 'entry' => $note, 'struck' => false, 'why' => self::WHY])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['struck' => 'a note is not rewritten']);
        $this->correct($case, [
            'what' => 'note',
            'entry' => $note,
            'struck' => true,
            'why' => 'This was another athlete',
        ])->assertStatus(201);
        $this->correct($case, ['what' => 'note', 'entry' => $note, 'struck' => true, 'why' => self::WHY])->assertStatus(
            422,
        );
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('decisions.0.reason', 'Seen with the coach')
            ->assertJsonPath('decisions.0.struck', "Struck out by $own->name: This was another athlete");
        // Decisions are no entries; nor are the entries of another case.
        $decision = self::text(
            $this->decide($case, ['kind' => 'keep', 'reason' => 'Wait'])
                ->assertStatus(201)
                ->json('id'),
        );
        $this->correct($case, [
            'what' => 'note',
            'entry' => $decision,
            'struck' => true,
            'why' => self::WHY,
        ])->assertStatus(422);
        $other = $this->caseOf('Basil Thorne')->trainingSessions()->firstOrFail();
        $this->correct($case, ['what' => 'session', 'entry' => $other->id, 'struck' => true, 'why' => self::WHY])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('entry');
    }

    public function testAStopThatWasEnteredWronglyIsStruckOutByThePractitionerAlone(): void
    {
        $case = $this->caseOf('Fenn Harrow');
        $source = self::text($this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('stops.0.id'));
        $what = TrainingSession::query()->whereKey($source)->exists() ? 'session' : 'morning';
        $this->correct($case, [
            'what' => $what,
            'entry' => $source,
            'struck' => true,
            'why' => 'It was entered for a friend, who had fallen',
        ])->assertStatus(201);
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->assertJsonPath('standing.stopped', false);
    }

    public function testWhatCameByTelephoneIsEnteredAndMarked(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $enter = fn(string $at, int $score, ?string $id = null): TestResponse => $this->ask(
            $own,
            'PUT',
            "/api/cases/$case->id/check-ins/" . ($id ?? Str::uuid7()),
            ['at' => $at, 'provocation' => $score, 'stiffness_min' => 5],
        );
        $enter('2026-04-14T09:30:00+01:00', 3)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['at' => 'between the day the case was opened and now']);
        $enter($case->opened_on . 'T00:00:00+14:00', 3)->assertStatus(201);
        $enter('2020-01-01T07:00:00+00:00', 3)->assertStatus(422);
        $this->ask($own, 'PUT', "/api/cases/$case->id/check-ins/" . Str::uuid7(), ['at' => '2026-04-13T07:00:00+01:00'])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('provocation');
        // A sign reported by telephone stops the case like any other.
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('standing.stopped', false);
        $sign = (string) Str::uuid7();
        $this->ask($own, 'PUT', "/api/cases/$case->id/check-ins/$sign", [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
            'signs' => ['swelling'],
        ])->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('standing.stopped', true);
        $this->correct($case, [
            'what' => 'morning',
            'entry' => $sign,
            'struck' => true,
            'why' => self::WHY,
        ])->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('standing.stopped', false);
        // Ten days ago: the phone could not do that. It takes the place of what the athlete had answered.
        $id = (string) Str::uuid7();
        $enter('2026-04-04T07:00:00+01:00', 4, $id)->assertStatus(201);
        $enter('2026-04-04T07:00:00+01:00', 4, $id)->assertStatus(200);
        $entries = (array) $this->ask($own, 'GET', "/api/cases/$case->id/entries")->json('entries');
        $ofDay = array_values(
            array_filter(
                $entries,
                static fn(mixed $entry): bool => is_array($entry) &&
                    $entry['what'] === 'morning' &&
                    $entry['on'] === '2026-04-04',
            ),
        );
        self::assertCount(1, $ofDay);
        self::assertIsArray($ofDay[0]);
        self::assertSame([4, $own->name], [$ofDay[0]['provocation'], $ofDay[0]['entered_by']]);
        Auth::forgetGuards();
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', "/api/cases/$case->id/check-ins/" . Str::uuid7(), [
            'at' => '2026-04-13T07:00:00+01:00',
            'provocation' => 1,
        ])->assertStatus(403);
    }

    public function testASessionOnPaperIsEnteredAgainstThePlan(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $page = $this->ask($own, 'GET', "/api/cases/$case->id/entries");
        $planned = $page->json('planned.0');
        self::assertIsArray($planned);
        $on = self::text($planned['on']);
        $slot = array_values(
            array_filter(
                (array) $page->json('sessions'),
                static fn(mixed $value): bool => is_array($value) && $value['slot'] === $planned['slot'],
            ),
        )[0];
        self::assertIsArray($slot);
        self::assertIsArray($slot['exercises']);
        $entries = array_map(
            static fn(mixed $exercise): array => [
                'prescription' => is_array($exercise) ? $exercise['prescription'] : '',
                'pain' => 2,
                'sets' => [['reps' => 8]],
            ],
            $slot['exercises'],
        );
        $log = [
            'planned' => $planned['planned'],
            'plan_version' => $page->json('plan_version'),
            'kind' => 'loading',
            'started_at' => "{$on}T06:00:00+01:00",
            'ended_at' => "{$on}T06:40:00+01:00",
            'entries' => $entries,
        ];
        $send = fn(array $log): TestResponse => $this->ask(
            $own,
            'PUT',
            "/api/cases/$case->id/sessions/" . Str::uuid7(),
            $log,
        );
        $send(['started_at' => '2026-04-14T09:00:00+01:00', 'ended_at' => '2026-04-14T09:40:00+01:00'] + $log)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['ended_at' => 'must not lie in the future']);
        $send(['started_at' => '2020-04-14T09:00:00+01:00', 'ended_at' => '2020-04-14T09:40:00+01:00'] + $log)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['started_at' => 'before the case was opened']);
        $send($log)->assertStatus(201);
        $after = $this->ask($own, 'GET', "/api/cases/$case->id/entries");
        self::assertNotContains($planned['planned'], (array) $after->json('planned.*.planned'));
        self::assertContains($own->name, (array) $after->json('entries.*.entered_by'));
        // The athlete may put nothing right of it afterwards that the practitioner has decided on; the log says who wrote it.
        self::assertTrue(
            AccessLogEntry::query()
                ->whereJsonContains('cases', $case->id)
                ->where('user_id', $own->id)
                ->where('what', 'logged a session')
                ->exists(),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function strangers(): iterable
    {
        yield 'an athlete' => ['Juno Tamsin'];
        yield 'another practice' => ['Another Practice'];
    }

    #[DataProvider('strangers')]
    public function testNobodyElsePutsAnythingRight(string $who): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $user = $who === 'Another Practice' ? $this->practitioner($who) : $this->athlete($who);
        $session = $case->trainingSessions()->firstOrFail();
        $status = $this->ask($user, 'PUT', "/api/cases/$case->id/corrections/" . Str::uuid7(), [
            'what' => 'session',
            'entry' => $session->id,
            'struck' => true,
            'why' => self::WHY,
        ])->getStatusCode();
        self::assertContains($status, [403, 404]);
        self::assertFalse($session->refresh()->superseded);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function correct(CareCase $case, array $body, ?string $id = null): TestResponse
    {
        return $this->ask(
            $this->practitioner(),
            'PUT',
            "/api/cases/$case->id/corrections/" . ($id ?? Str::uuid7()),
            $body,
        );
    }

    /** The sets of a device are read as they would be stored, and stand in the session that is entered with them. */
    public function testTheSetsOfADeviceAreReadIntoASession(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $answer = $this->ask($own, 'POST', "/api/cases/$case->id/set-log", [
            'text' => "set,side,reps,load_kg\n1,left,12,20\n1,right,15,20\n2,left,10,20\n2,right,15,20\n",
        ])->assertOk();
        self::assertSame(
            [
                ['load_kg' => 20, 'left' => ['reps' => 12], 'right' => ['reps' => 15]],
                ['load_kg' => 20, 'left' => ['reps' => 10], 'right' => ['reps' => 15]],
            ],
            $answer->json('sets'),
        );
        self::assertSame(['left 12, right 15 at 20 kg', 'left 10, right 15 at 20 kg'], $answer->json('words'));
        $id = (string) Str::uuid7();
        $press = array_column($case->plan()->prescriptions(), 'key', 'exercise')['leg_press_one'] ?? '';
        $this->ask($own, 'PUT', "/api/cases/$case->id/sessions/$id", [
            'planned' => null,
            'plan_version' => $case->currentPlan()->version,
            'kind' => 'loading',
            'started_at' => '2026-04-13T18:00:00+01:00',
            'ended_at' => '2026-04-13T18:40:00+01:00',
            'minutes' => null,
            'effort' => null,
            'entries' => [['prescription' => $press, 'pain' => 1, 'sets' => $answer->json('sets')]],
        ])->assertStatus(201);
        self::assertSame(
            12,
            data_get(TrainingSession::query()->findOrFail($id)->entries, '0.sets.0.reps'),
            'it counts what the sore side did',
        );
        $this->ask($own, 'POST', "/api/cases/$case->id/set-log", ['text' => 'nothing of the kind'])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('text');
        $this->ask($own, 'POST', "/api/cases/$case->id/set-log", ['text' => ''])
            ->assertStatus(422)
            ->assertJsonPath('errors.text.0', 'Choose a file of the device.');
    }
}
