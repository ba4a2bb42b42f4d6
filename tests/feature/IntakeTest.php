<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\Decision;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\Goal;

/** What intake asked for is found on the case, kept up to date there, and its former state stays. */
final class IntakeTest extends TestCase
{
    use AtTheDesk;

    public function testEachFieldIsChangedWithWhatItSaidBefore(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $now = $this->intake($case);
        $this->save($case, [])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['history' => 'change one, then save']);
        $this->save($case, ['began_on' => '2026-04-20'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['began_on' => 'must not lie in the future']);
        $this->save($case, ['events' => ['2026-02-30']])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('events.0');
        $this->save($case, ['goal' => 'fame'])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('goal');
        $this->save($case, ['body_mass_kg' => 7])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('body_mass_kg');

        $new = [
            'history' => 'Twice before',
            'began_on' => '2026-01-02',
            'load_change' => 'New act',
            'aggravating' => 'Stairs',
            'occupation' => 'Teaches children',
            'medicines' => 'None',
            'goal_on' => '2026-09-01',
            'session_minutes' => 50,
            'body_mass_kg' => 61.5,
            'equipment' => ['band'],
            'events' => ['2026-05-02', '2026-05-02', '2026-04-25'],
            'advice' => [['words' => 'Half of the jumps', 'until' => '2026-05-01'], ['words' => 'No deep squats']],
            'why' => 'Asked again after six weeks',
        ];
        $words = self::text($this->save($case, $new)->assertOk()->json('words'));
        foreach (
            [
                'Cause: ',
                'Occupation: nothing → Teaches children',
                'Minutes for a session: ',
                ' → 50',
                'Body mass: ',
                ' → 61.5',
                'Shows: ',
                ' → Sat 25 Apr, Sat 2 May',
                'Advice: ',
                'Half of the jumps No deep squats',
            ]
            as $intake
        ) {
            self::assertStringContainsString($intake, $words);
        }
        self::assertStringNotContainsString('Goal: ', $words, 'what stays is not listed');
        $after = $this->intake($case->refresh());
        self::assertSame(['2026-04-25', '2026-05-02'], $after['events'], 'each day once, in order');
        self::assertSame(
            [['words' => 'Half of the jumps', 'until' => '2026-05-01'], ['words' => 'No deep squats', 'until' => null]],
            $after['advice'],
        );
        foreach (
            [
                'history',
                'began_on',
                'load_change',
                'aggravating',
                'occupation',
                'medicines',
                'goal_on',
                'session_minutes',
                'body_mass_kg',
                'equipment',
            ]
            as $field
        ) {
            self::assertEquals($new[$field], $after[$field], $field);
        }
        self::assertIsArray($after['changes']);
        self::assertSame(
            [[$own->name, $words, 'Asked again after six weeks']],
            array_map(
                static fn(mixed $change): array => is_array($change)
                    ? [$change['by'], $change['words'], $change['why']]
                    : [],
                $after['changes'],
            ),
        );
        self::assertSame($now['screened_by'], $after['screened_by'], 'the signature stays');

        // Saved again it changes nothing, and somebody who saw an older state gets a conflict.
        $this->save($case, $new)->assertStatus(422);
        $this->ask($own, 'PUT', "/api/cases/$case->id/intake", ['revision' => 0, 'goal' => 'running'])->assertStatus(
            409,
        );
        // An answer that comes in while somebody types is nothing that stands in the way.
        $typed = $this->intake($case);
        $this->ask($own, 'PUT', "/api/cases/$case->id/check-ins/" . \Illuminate\Support\Str::uuid7(), [
            'at' => '2026-04-13T07:00:00+01:00',
            'provocation' => 1,
        ])->assertStatus(201);
        self::assertSame($typed['revision'], $this->intake($case)['revision']);
    }

    public function testTheCalendarAndTheStagesFollow(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $coming = $case->plannedSessions()->where('on', '>', '2026-04-14')->where('withdrawn', false)->firstOrFail()
            ->on;
        $this->save($case, ['blocked' => [$coming]])->assertOk();
        self::assertSame(
            0,
            $case->plannedSessions()->where('on', $coming)->where('withdrawn', false)->count(),
            'nothing on a blocked day',
        );
        $this->save($case, ['blocked' => []])->assertOk();
        self::assertGreaterThan(0, $case->plannedSessions()->where('on', $coming)->where('withdrawn', false)->count());

        // Whatever the goal, the case stands and its stage is shown.
        foreach (Goal::cases() as $goal) {
            if ($goal->value !== $case->refresh()->goal) {
                $this->save($case, ['goal' => $goal->value])->assertOk();
            }
            $ladder = (array) $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")
                ->assertOk()
                ->assertJsonPath('goal', $goal->value)
                ->json('standing.ladder.*.state');
            self::assertContains('current', $ladder);
        }
    }

    public function testTheCauseIsNoReasonForOpening(): void
    {
        $id = self::text(
            $this->ask($this->practitioner(), 'POST', '/api/cases', OpeningTest::opening())
                ->assertStatus(201)
                ->json('id'),
        );
        self::assertNull(Decision::query()->where('case_id', $id)->where('kind', 'open')->firstOrFail()->reason);
        self::assertSame(
            'A week of double rehearsals',
            $this->intake(CareCase::query()->findOrFail($id))['load_change'],
        );
    }

    public function testAPlanThatLiftsTheBodyKeepsItsMass(): void
    {
        $case = CareCase::query()
            ->whereHas('practice', static fn($query) => $query->where('name', 'Ropewalk Circus School'))
            ->get()
            ->firstOrFail(
                static fn(CareCase $careCase): bool => array_filter(
                    $careCase->plan()->prescriptions(),
                    static fn($p): bool => ($p->dose->body_fraction ?? 0) > 0,
                ) !== [],
            );
        $this->save($case, ['body_mass_kg' => null])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['body_mass_kg' => 'lifts a share of the body']);
    }

    public function testWhatIsKeptBesideTheFormStaysAndWhatCannotBeReadIsNothing(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        DB::table('cases')
            ->where('id', $case->id)
            ->update([
                'intake' => json_encode([
                    'began_on' => ' ',
                    'season_from' => '2026-13-40',
                    'load_change' => 7,
                    'occupation' => ' Rigger ',
                    'found' => ['hamstring_tight', 3],
                    'risks' => 'none',
                    'growth_checked' => 'yes',
                    'start' => ['stage' => 'holds'],
                    'findings' => ['irritable' => true],
                ]),
            ]);
        $intake = $case->refresh()->intake;
        self::assertNull($intake->seasonFrom);
        self::assertSame([null, null, 'Rigger'], [$intake->beganOn, $intake->loadChange, $intake->occupation]);
        self::assertSame([['hamstring_tight'], [], false], [$intake->found, $intake->risks, $intake->isGrowthChecked]);
        $this->save($case, ['occupation' => 'Teacher'])->assertOk();
        $saved = $case->refresh()->intake;
        self::assertSame(['Teacher', ['hamstring_tight']], [$saved->occupation, $saved->found]);
        self::assertSame($intake->rest, $saved->rest);
        self::assertEquals(['start' => ['stage' => 'holds'], 'findings' => ['irritable' => true]], $saved->rest);
    }

    public function testARuleOfACaseIsReadOnTheWayIn(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $before = $case->response_rule;
        $case->forceFill(['response_rule' => ['stop_at' => 6] + $before->toArray()])->save();
        self::assertSame(6, $case->refresh()->response_rule->stop_at);
        $this->expectException(InvalidInput::class);
        $case->forceFill(['response_rule' => ['stop_at' => 11] + $before->toArray()]);
    }

    /** @return array<string, mixed> */
    private function intake(CareCase $case): array
    {
        $intake = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/intake")
            ->assertOk()
            ->json();
        self::assertIsArray($intake);

        /** @var array<string, mixed> */
        return $intake;
    }

    /**
     * @param array<string, mixed> $changed
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function save(CareCase $case, array $changed): TestResponse
    {
        $now = $this->intake($case);

        return $this->ask(
            $this->practitioner(),
            'PUT',
            "/api/cases/$case->id/intake",
            $changed +
                array_diff_key(
                    $now,
                    array_flip([
                        'athlete',
                        'structure',
                        'side',
                        'purpose',
                        'signs',
                        'risks',
                        'screened_by',
                        'screened_on',
                        'changes',
                        'findings',
                    ]),
                ),
        );
    }
}
