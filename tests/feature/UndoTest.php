<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\DoseChange;
use App\Models\PlannedSession;
use Carbon\CarbonImmutable;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Whatever is decided one on top of the other comes off again in turn, and leaves the case as it was. */
final class UndoTest extends TestCase
{
    use AtTheDesk;

    private const DECISIONS = 6;

    /** @return iterable<string, array{string, int}> */
    public static function cases(): iterable
    {
        foreach (['Edda Moorgate', 'Tobias Fenwick', 'Basil Thorne'] as $i => $name) {
            yield $name => [$name, 21 + $i];
        }
    }

    #[DataProvider('cases')]
    public function testDecisionsComeOffInTurnAndLeaveTheCaseAsItWas(string $name, int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        $case = $this->caseOf($name);
        $stack = [];
        for ($i = 0; $i < self::DECISIONS; $i++) {
            $before = $this->state($case);
            $decided =
                $chance->getInt(0, 1) === 0
                    ? $this->prescribed($case, $chance)
                    : $this->decide($case, self::decision($case, $chance));
            self::assertContains($decided->getStatusCode(), [201, 422], (string) $decided->getContent());
            if ($decided->getStatusCode() === 201 && $decided->json('undo') === true) {
                $stack[] = [self::text($decided->json('id')), $before, self::text($decided->json('words'))];
            }
        }
        self::assertGreaterThan(2, count($stack));
        foreach (array_reverse($stack) as [$id, $before, $words]) {
            $this->ask($this->practitioner(), 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
            self::assertEquals($before, $this->state($case), $words);
        }
    }

    public function testAPlanThatWaitsGivesWayWithItsChangesOfDoseAndComesBackWithThem(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $coming = static fn(): int => DoseChange::query()
            ->where('case_id', $case->id)
            ->where('at', '>', CarbonImmutable::now())
            ->count();
        $this->prescribed($case, new Randomizer(new Mt19937(1)), '2026-04-18')->assertStatus(201);
        self::assertSame(1, $coming());
        $waiting = $this->ask($own, 'GET', "/api/cases/$case->id")->json('waiting');
        self::assertIsArray($waiting);

        // A flare before its day takes its place: nothing of it may count as a change of dose later on.
        $flare = $this->decide($case, [
            'kind' => 'flare',
            'flare' => ['ease' => true, 'rest_days' => 1, 'holds_only_days' => 0],
        ])->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('waiting', null);
        self::assertSame(0, $coming());

        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/" . self::text($flare->json('id')))->assertStatus(
            201,
        );
        $again = $this->ask($own, 'GET', "/api/cases/$case->id")->json('waiting');
        self::assertIsArray($again);
        self::assertSame([$waiting['from'], $waiting['note'], 1], [$again['from'], $again['note'], $coming()]);
        CarbonImmutable::setTestNow('2026-04-18T08:30:00+01:00');
        self::assertSame($again['version'], $case->refresh()->currentPlan()->version);
    }

    /** @return array<string, mixed> what the desk sees, what waits, the calendar and the changes of dose */
    private function state(CareCase $case): array
    {
        $waiting = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('waiting');

        return $this->seen($case) + [
            'waiting' => is_array($waiting) ? [$waiting['from'], $waiting['note']] : null,
            'calendar' => $case
                ->plannedSessions()
                ->where('on', '>=', '2026-04-14')
                ->get()
                ->map(
                    static fn(
                        PlannedSession $planned,
                    ): string => "$planned->on $planned->stage $planned->slot $planned->id",
                )
                ->all(),
            'changes' => DoseChange::query()
                ->where('case_id', $case->id)
                ->orderBy('id')
                ->get()
                ->map(static fn(DoseChange $change): string => "$change->id $change->kind")
                ->all(),
        ];
    }

    /** @return array<string, mixed> */
    private static function decision(CareCase $case, Randomizer $chance): array
    {
        $kinds = [
            ['kind' => 'accept'],
            [
                'kind' => 'flare',
                'flare' => [
                    'ease' => $chance->getInt(0, 1) === 1,
                    'rest_days' => $chance->getInt(0, 3),
                    'holds_only_days' => $chance->getInt(0, 7),
                ],
            ],
            ['kind' => 'review', 'review_on' => '2026-05-0' . $chance->getInt(1, 9)],
            [
                'kind' => 'rule',
                'rule' => ['low', 'tolerable', 'comfort', 'heavy'][$chance->getInt(0, 3)],
                'reason' => 'x',
            ],
            ['kind' => 'stage', 'stage' => ['holds', 'slow', 'springs'][$chance->getInt(0, 2)], 'reason' => 'x'],
            ['kind' => 'sign_off'],
            ['kind' => 'note', 'reason' => 'x'],
        ];

        return $kinds[$chance->getInt(0, count($kinds) - 1)];
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> one dose of the stage by hand, now or from a later day */
    private function prescribed(
        CareCase $case,
        Randomizer $chance,
        ?string $from = null,
    ): \Illuminate\Testing\TestResponse {
        $own = $this->practitioner();
        $plan = $this->ask($own, 'GET', "/api/cases/$case->id/plan");
        $stage = collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));
        self::assertIsArray($stage);
        $asked = array_column((array) $stage['prescriptions'], 'prescription');
        self::assertIsArray($asked[0]);
        $asked[0] = array_replace_recursive($asked[0], [
            'dose' => ['sets' => $chance->getInt(1, 9), 'rest_s' => $chance->getInt(0, 1) * 90 + 33],
        ]);

        return $this->ask($own, 'POST', "/api/cases/$case->id/plan", [
            'revision' => $plan->json('revision'),
            'stage' => $plan->json('stage'),
            'prescriptions' => $asked,
            'why' => 'x',
            'note' => 'By hand ' . $chance->getInt(1, 999),
            'from' => $from ?? ($chance->getInt(0, 1) === 0 ? null : '2026-04-1' . $chance->getInt(5, 9)),
            'ends_rest' => $chance->getInt(0, 2) === 0,
        ]);
    }
}
