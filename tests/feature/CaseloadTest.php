<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\MessageKind;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;

/** The caseload counts what is so, and each number opens the cases that it counts. */
final class CaseloadTest extends TestCase
{
    use AtTheDesk;

    public function testEachNumberCountsTheCasesThatItNames(): void
    {
        $own = $this->practitioner();
        // One that was eased on three days within two weeks.
        $eased = $this->caseOf('Edda Moorgate');
        foreach (['2026-04-05', '2026-04-08', '2026-04-11'] as $on) {
            $eased->doseChanges()->create([
                'practice_id' => $eased->practice_id,
                'at' => "$on 10:00:00+00",
                'kind' => 'ease',
                'prescription' => null,
            ]);
        }
        Artisan::call('rung:standings', ['--all' => true]);
        $page = $this->ask($own, 'GET', '/api/caseload')->assertOk();
        $round = array_column((array) $this->ask($own, 'GET', '/api/round')->json('cases'), 'standing', 'id');
        self::assertSame(count($round), $page->json('all'));
        $counts = array_map(
            static fn(mixed $of): array => (array) $of,
            array_column((array) $page->json('counts'), 'cases', 'key'),
        );
        $by = static fn(callable $is): array => array_keys(array_filter($round, $is));
        self::assertEqualsCanonicalizing(
            $by(static fn(mixed $value): bool => is_array($value) && $value['group'] === 'silent'),
            $counts['silent'],
        );
        self::assertEqualsCanonicalizing(
            $by(static fn(mixed $value): bool => is_array($value) && $value['group'] === 'stop_review'),
            $counts['stopped'],
        );
        // Sessions that wait for their morning, or never got it, are passed over.
        $last = static function (mixed $value): mixed {
            $verdicts = is_array($value) && is_array($value['hooks']) ? array_column($value['hooks'], 'verdict') : [];

            return last(
                array_filter(
                    $verdicts,
                    static fn(mixed $verdict): bool => !in_array($verdict, ['pending', 'unanswered'], true),
                ),
            );
        };
        self::assertEqualsCanonicalizing(
            $by(static fn(mixed $value): bool => in_array($last($value), ['settled', 'under'], true)),
            $counts['settled'],
        );
        self::assertNotSame([], $counts['settled']);
        self::assertEqualsCanonicalizing(
            $by(static fn(mixed $value): bool => is_array($value) && $value['unsettled'] === true),
            $counts['unsettled'],
        );
        self::assertNotSame([], $counts['unsettled']);
        foreach ((array) $page->json('cases') as $line) {
            self::assertIsArray($line);
            self::assertSame(
                in_array($line['id'], $counts['long'], true),
                $line['usual_weeks'] !== null && $line['weeks'] > $line['usual_weeks'],
            );
            self::assertSame(
                in_array($line['id'], $counts['little'], true),
                $line['adherence'] !== null && $line['adherence'] < 60,
            );
            $answer = $this->ask($own, 'GET', '/api/cases/' . self::text($line['id']));
            self::assertSame($answer->json('adherence.percent'), $line['adherence'], self::text($line['athlete']));
        }
        // One practitioner's, and nobody else's practice.
        $ren = CareCase::query()->findOrFail(self::text(array_key_first($round)))->practitioner_id;
        $mine = $this->ask($own, 'GET', "/api/caseload?practitioner=$ren");
        self::assertSame(
            CareCase::query()->where('practitioner_id', $ren)->whereNull('closed_on')->count(),
            $mine->json('all'),
        );
        self::assertLessThan($page->json('all'), $mine->json('all'));
        self::assertSame(0, $this->ask($own, 'GET', '/api/caseload?practitioner=nobody')->json('all'));
        self::assertSame(
            [],
            array_intersect(
                self::texts(
                    array_column(
                        (array) $this->ask($this->practitioner('Another Practice'), 'GET', '/api/caseload')->json(
                            'cases',
                        ),
                        'id',
                    ),
                ),
                array_keys($round),
            ),
        );
    }

    public function testFlaresAndWeeksAreCountedOnce(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $own = $this->practitioner();
        $sum = fn(): int => (int) array_sum(
            array_column((array) $this->ask($own, 'GET', '/api/caseload')->json('flares'), 'flares'),
        );
        $before = $sum();
        $case->messages()->create([
            'practice_id' => $case->practice_id,
            'user_id' => $own->id,
            'at' => CarbonImmutable::now(),
            'kind' => MessageKind::Flare,
            'words' => 'It hurts',
            'pain' => 6,
        ]);
        self::assertSame($before + 1, $sum());
        $this->decide($case, [
            'kind' => 'flare',
            'flare' => ['ease' => true, 'rest_days' => 1, 'holds_only_days' => 0],
        ])->assertStatus(201);
        self::assertSame($before + 1, $sum(), 'reported and planned for counts once');
        $page = $this->ask($own, 'GET', '/api/caseload');
        self::assertContains(
            $case->id,
            array_merge(
                ...array_map(
                    static fn(mixed $of): array => (array) $of,
                    array_column((array) $page->json('flares'), 'cases'),
                ),
            ),
        );

        $weeks = (array) $page->json('weeks');
        self::assertCount(12, $weeks);
        self::assertSame(
            ['2026-01-26', '2026-04-13'],
            [array_column($weeks, 'from')[0], array_column($weeks, 'from')[11]],
        );
        $of = static fn(string $key): array => array_column($weeks, $key);
        $open = CareCase::query()->whereNull('closed_on')->where('practice_id', $case->practice_id)->pluck('id')->all();
        self::assertSame(
            \App\Models\TrainingSession::query()
                ->whereIn('case_id', $open)
                ->where('superseded', false)
                ->where('started_at', '>=', '2026-04-13T00:00:00Z')
                ->count(),
            $of('sessions')[11],
        );
        self::assertGreaterThan(0, array_sum($of('mornings')));
        self::assertGreaterThan(0, array_sum($of('raised')));
        self::assertGreaterThan(0, $of('eased')[11], 'the flare plan of today');
    }
}
