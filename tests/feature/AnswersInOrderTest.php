<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CheckIn;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** What a phone sends twice, in another order than it was entered in, or after the case was closed. */
final class AnswersInOrderTest extends TestCase
{
    public function testAResendStoresNothingAndChangesNothing(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        $session = (string) Str::uuid7();
        $log = [
            'plan_version' => 1,
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'entries' => [],
        ];
        $morning = (string) Str::uuid7();
        $sent = [
            ['PUT', "/api/today/sessions/$session", $log],
            ['PATCH', "/api/today/sessions/$session", ['settled_min' => 20]],
            ['PUT', "/api/today/check-ins/$morning", ['at' => '2026-04-14T07:50:00+01:00', 'provocation' => 2]],
        ];
        foreach ($sent as [$method, $path, $body]) {
            self::assertLessThan(300, $this->ask($juno, $method, $path, $body)->getStatusCode());
        }
        $case->refresh();
        $before = [
            $case->revision,
            $case->snapshot,
            $case->round_line,
            $case->evaluated_at,
            AccessLogEntry::query()->count(),
            TrainingSession::query()->count(),
            CheckIn::query()->count(),
        ];
        CarbonImmutable::setTestNow('2026-04-14T08:45:00+01:00');
        foreach ($sent as [$method, $path, $body]) {
            $this->ask($juno, $method, $path, $body)->assertOk();
        }
        $case->refresh();
        self::assertEquals($before, [
            $case->revision,
            $case->snapshot,
            $case->round_line,
            $case->evaluated_at,
            AccessLogEntry::query()->count(),
            TrainingSession::query()->count(),
            CheckIn::query()->count(),
        ]);
    }

    public function testOfTwoAnswersForAMorningTheOneEnteredLastCounts(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        /** @param list<string> $signs */
        $answer = function (int $score, string $made, array $signs = []) use ($juno): string {
            $id = (string) Str::uuid7();
            $this->ask($juno, 'PUT', "/api/today/check-ins/$id", [
                'at' => '2026-04-14T07:00:00+01:00',
                'made_at' => $made,
                'provocation' => $score,
                'signs' => $signs,
            ])->assertStatus(201);

            return $id;
        };
        $second = $answer(2, '2026-04-14T07:20:00+01:00');
        // The first was entered before it, on another phone, and comes in after it, with a sign.
        $first = $answer(6, '2026-04-14T07:05:00+01:00', ['locking']);
        $of = static fn(): array => $case
            ->checkIns()
            ->where('local_on', '2026-04-14')
            ->get()
            ->map(static fn(CheckIn $checkIn): array => [$checkIn->id, $checkIn->provocation, $checkIn->signs])
            ->all();
        self::assertSame([[$second, 2, ['locking']]], $of(), 'the later entry counts, and no sign is lost');
        self::assertTrue(CheckIn::query()->findOrFail($first)->superseded);
        $third = $answer(3, '2026-04-14T08:10:00+01:00');
        self::assertSame([[$third, 3, ['locking']]], $of());
    }

    public function testWhatWaitedUntilTheCaseWasClosedIsKeptWithAMark(): void
    {
        $case = $this->caseOf('Piet Olander');
        $own = $this->practitioner();
        $piet = $this->athlete('Piet Olander');
        $case->forceFill(['closed_on' => '2026-04-14'])->save();
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('after_close', 0);
        $session = (string) Str::uuid7();
        $log = [
            'plan_version' => 1,
            'kind' => 'loading',
            'started_at' => '2026-04-14T07:00:00+01:00',
            'ended_at' => '2026-04-14T07:40:00+01:00',
            'entries' => [],
        ];
        $this->ask($piet, 'PUT', "/api/today/sessions/$session", $log)->assertStatus(404);
        $this->ask($piet, 'PUT', "/api/today/sessions/$session?case=$case->id", $log)->assertStatus(201);
        $this->ask($piet, 'PUT', '/api/today/check-ins/' . Str::uuid7() . "?case=$case->id", [
            'at' => '2026-04-14T07:50:00+01:00',
            'provocation' => 2,
        ])->assertStatus(201);
        $this->ask($piet, 'PATCH', "/api/today/sessions/$session?case=$case->id", ['settled_min' => 20])->assertOk();
        self::assertTrue(TrainingSession::query()->findOrFail($session)->after_close);
        $this->ask($own, 'GET', "/api/cases/$case->id")
            ->assertJsonPath('after_close', 2)
            ->assertJsonPath('closed_on', '2026-04-14');
        // Nobody reaches the case of another in this way.
        $this->ask(
            $this->athlete('Juno Tamsin'),
            'PUT',
            '/api/today/sessions/' . Str::uuid7() . "?case=$case->id",
            $log,
        )->assertStatus(404);
        $this->ask($piet, 'PUT', '/api/today/sessions/' . Str::uuid7() . '?case=none', $log)->assertStatus(404);
    }

    public function testAStopThatComesInAfterClosingStandsOnTheRoundUntilItIsReviewed(): void
    {
        $case = $this->caseOf('Piet Olander');
        $own = $this->practitioner();
        $piet = $this->athlete('Piet Olander');
        $case->forceFill(['closed_on' => '2026-04-14'])->save();
        $answer = fn(int $score): TestResponse => $this->ask(
            $piet,
            'PUT',
            '/api/today/check-ins/' . Str::uuid7() . "?case=$case->id",
            ['at' => '2026-04-14T07:50:00+01:00', 'provocation' => $score],
        );
        $round = fn(): TestResponse => $this->ask($own, 'GET', '/api/round')->assertOk();
        $shown = static fn(): array => array_values(
            array_filter(
                (array) $round()->json('cases'),
                static fn(mixed $value): bool => is_array($value) && $value['id'] === $case->id,
            ),
        );
        $stops = static fn(): mixed => $round()->json('groups.stop_review');
        $before = $stops();

        $answer(2)->assertStatus(201);
        self::assertSame([], $shown(), 'a quiet answer brings nothing back');
        $answer(9)->assertStatus(201);
        self::assertSame(['2026-04-14'], array_column($shown(), 'closed_on'));
        self::assertSame([true], array_column(array_column($shown(), 'standing'), 'stopped'));
        self::assertSame([1, 2], [$before, $stops()]);
        Artisan::call('rung:standings', ['--all' => true]);
        self::assertCount(1, $shown(), 'also after standings were refreshed');

        $page = $this->ask($own, 'GET', "/api/cases/$case->id");
        $decide = fn(array $what): TestResponse => $this->ask(
            $own,
            'POST',
            "/api/cases/$case->id/decisions",
            $what + ['revision' => $page->json('revision'), 'reason' => 'Seen in the room.'],
        );
        $decide(['kind' => 'keep'])->assertStatus(422);
        $decide(['kind' => 'clear_stop', 'clears' => $page->json('stops.0.id')])->assertStatus(201);
        self::assertSame([], $shown());
        self::assertSame('2026-04-14', $case->refresh()->closed_on, 'it stays closed');
    }
}
