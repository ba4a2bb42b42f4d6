<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\StrengthTest;
use Illuminate\Support\Str;

/** What nobody means is refused at its field, and nothing of it is stored. */
final class SenseTest extends TestCase
{
    use AtTheDesk;

    public function testATestWhoseSidesCannotBeOnePersonIsRefused(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $count = StrengthTest::query()->count();
        $test = ['test' => 'knee_extension_strength', 'on' => '2026-04-14', 'unit' => 'N'];
        $this->ask($own, 'POST', "/api/cases/$case->id/tests", $test + ['affected' => 99999, 'unaffected' => 1])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['affected' => 'check both numbers (99999 and 1)']);
        self::assertSame($count, StrengthTest::query()->count());
        $this->ask(
            $own,
            'POST',
            "/api/cases/$case->id/tests",
            $test + ['affected' => 300, 'unaffected' => 400],
        )->assertStatus(201);
        $this->ask(
            $own,
            'POST',
            '/api/start-proposals',
            OpeningTest::opening(['strength' => ['affected' => 99999, 'unaffected' => 1]]),
        )
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('strength.affected');
    }

    public function testADoseThatNobodyMeansIsRefusedAtItsFieldWithNothingLost(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $own = $this->practitioner();
        $plan = $this->ask($own, 'GET', "/api/cases/$case->id/plan");
        $stage = collect((array) $plan->json('stages'))->firstWhere('key', $plan->json('stage'));
        $prescriptions = array_column((array) data_get($stage, 'prescriptions'), 'prescription');
        $asked = static function (array $dose) use ($prescriptions, $plan): array {
            $first = (array) $prescriptions[0];
            $first['dose'] = array_replace((array) $first['dose'], $dose);

            return ['stage' => $plan->json('stage'), 'prescriptions' => [$first, ...array_slice($prescriptions, 1)]];
        };
        $versions = $case->planVersions()->count();
        foreach (
            [
                'load_kg' => ['load_kg' => 100_000],
                'range.to_deg' => ['range' => ['from_deg' => 10, 'to_deg' => 400]],
                'rest_s' => ['rest_s' => 90_000],
            ]
            as $field => $dose
        ) {
            $this->ask($own, 'POST', "/api/cases/$case->id/plan/preview", $asked($dose))
                ->assertStatus(422)
                ->assertJsonValidationErrorFor("prescriptions.0.dose.$field");
            $this->ask(
                $own,
                'POST',
                "/api/cases/$case->id/plan",
                $asked($dose) + ['why' => 'x', 'revision' => $case->refresh()->revision],
            )
                ->assertStatus(422)
                ->assertJsonValidationErrorFor("prescriptions.0.dose.$field");
        }
        self::assertSame($versions, $case->planVersions()->count());
        $this->ask($own, 'POST', "/api/cases/$case->id/plan/preview", $asked([]))->assertOk();
    }

    public function testWhileAStopIsOpenNothingIsKeptAsItIsAndNoLoadingStandsAhead(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        self::assertNotEmpty($this->ask($own, 'GET', "/api/cases/$case->id")->json('coming'));
        \Illuminate\Support\Facades\Auth::forgetGuards();
        $sign = (string) Str::uuid7();
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', "/api/today/check-ins/$sign", [
            'at' => '2026-04-14T07:00:00+01:00',
            'provocation' => 2,
            'signs' => ['locking'],
        ])->assertStatus(201);
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath('coming', []);
        $this->decide($case, ['kind' => 'keep', 'reason' => 'It looks fine'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['kind' => 'while a stop waits for your review']);
        self::assertSame(0, $case->decisions()->where('kind', 'keep')->count());
        $this->decide($case, [
            'kind' => 'clear_stop',
            'clears' => $sign,
            'reason' => 'Seen: a loose brace',
        ])->assertStatus(201);
        $this->decide($case, ['kind' => 'keep', 'reason' => 'It looks fine'])->assertStatus(201);
        self::assertNotEmpty($this->ask($own, 'GET', "/api/cases/$case->id")->json('coming'));
    }
}
