<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\Opening;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** Opening a case, from what was typed and left to the first weeks on the calendar. */
final class OpeningTest extends TestCase
{
    /**
     * @param array<string, mixed> $spoilt
     *
     * @return array<string, mixed>
     */
    public static function opening(array $spoilt = []): array
    {
        return array_replace([
            'athlete' => ['name' => 'Odile Marsh', 'act' => 'tumbler', 'body_mass_kg' => 59.5, 'email' => 'odile@ropewalk.example'],
            'structure' => 'patellar_tendon', 'side' => 'left', 'goal' => 'jumping', 'goal_on' => '2026-09-01', 'programme' => 'knee_four_stage',
            'history' => 'Both knees last autumn', 'load_change' => 'A week of double rehearsals', 'aggravating' => 'Landings', 'began_on' => '2026-03-01',
            'available' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], 'events' => ['2026-04-25'], 'equipment' => ['leg extension', 'leg press'],
            'session_minutes' => 45, 'training_days_per_week' => 2, 'rest' => 2, 'test' => 4, 'settle_min' => 300, 'stiffness_min' => 20,
            'risks' => [], 'signs' => [], 'screened' => true, 'advice' => ['Half of the jumps'], 'advice_until' => '2026-05-12',
            'strength' => ['affected' => 300, 'unaffected' => 400], 'count' => ['affected' => 12, 'unaffected' => 20],
            'severity' => ['name' => 'Knee score', 'lowest' => 0, 'highest' => 50, 'higher_is_better' => false, 'smallest_change' => 5, 'score' => 30],
        ], $spoilt);
    }

    public function testACaseIsOpenedFromIntakeToTheFirstWeek(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'POST', '/api/start-proposals', self::opening())->assertOk()
            ->assertJson(['irritability' => 'medium', 'stage' => 'holds', 'rung' => 'middle', 'blocked' => false, 'symmetry_percent' => 75])
            ->assertJsonPath('words', 'Medium irritability (pain at rest 2 of 10, test 4 of 10, settles in 300 min, stiff for 20 min), trains 2 days a week: begin at holds, middle rung, leg-extension hold at 60°, the sore side.')
            ->assertJsonPath('choices.0.exercise', 'leg_extension_hold')
            ->assertJsonCount(14, 'calendar');
        $typed = $this->ask($own, 'POST', '/api/openings', ['step' => 1, 'form' => ['name' => 'Odile Marsh']])->json('id');
        $opened = $this->ask($own, 'POST', '/api/cases', self::opening(['draft' => $typed]))->assertStatus(201);
        self::assertIsString($opened->json('password'));

        $case = CareCase::query()->findOrFail(self::text($opened->json('id')));
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertOk()
            ->assertJsonPath('review_on', '2026-05-26')
            ->assertJsonPath('standing.stage.key', 'holds')
            ->assertJsonPath('standing.action', 'gather')
            ->assertJsonPath('strength_test.key', 'knee_extension_strength')
            ->assertJsonPath('tests.0.symmetry_percent', 75)
            ->assertJsonPath('advice.0', ['from' => '2026-04-14', 'until' => '2026-05-12', 'words' => 'Half of the jumps'])
            ->assertJsonPath('intake.load_change', 'A week of double rehearsals')
            ->assertJsonPath('decisions.0.kind', 'open')
            ->assertJsonCount(7, 'coming');
        // What was typed is in the case now, and in nothing else.
        self::assertEquals([(object) [], 0], [Opening::query()->findOrFail(self::text($typed))->form, count((array) $this->ask($own, 'GET', '/api/openings')->json('openings'))]);

        $athlete = User::query()->where('email', 'odile@ropewalk.example')->firstOrFail();
        $this->ask($athlete, 'GET', '/api/today')->assertOk()
            ->assertJsonPath('cases.0.sessions.0.exercises.0.words', '5 × 45 s, 70 % of maximum')
            ->assertJsonPath('cases.0.sessions.0.exercises.0.load.source', 'to_find')
            ->assertJsonPath('cases.0.week', 'Week 1 of about 12')
            ->assertJsonPath('cases.0.morning.answered.0.provocation', 4)
            ->assertJsonPath('cases.0.advice', ['Half of the jumps']);
    }

    public function testASignBlocksUntilAReasonIsRecordedAndThenStaysInSight(): void
    {
        $own = $this->practitioner();
        $blocked = self::opening(['signs' => [['key' => 'night', 'why' => ' ']]]);
        $this->ask($own, 'POST', '/api/start-proposals', $blocked)->assertOk()->assertJson(['blocked' => true, 'stage' => null, 'words' => null, 'choices' => []])
            ->assertJsonPath('blocked_by.0', 'Night pain at rest that nothing explains: say why it is safe to go on, or refer');
        $this->ask($own, 'POST', '/api/cases', $blocked)->assertStatus(422)->assertJsonValidationErrors(['signs']);

        $id = self::text($this->ask($own, 'POST', '/api/cases', self::opening(['signs' => [['key' => 'night', 'why' => 'Bone scan clear']]]))->json('id'));
        $this->ask($own, 'GET', "/api/cases/$id")->assertJsonPath('intake.signs.0', [
            'by' => 'Ola Vance', 'on' => '2026-04-14', 'key' => 'night', 'why' => 'Bone scan clear', 'words' => 'Night pain at rest that nothing explains',
        ]);
    }

    public function testARiskCountsByItsDateAndMissingEquipmentTakesTheStandIn(): void
    {
        $own = $this->practitioner();
        $start = fn(string $field, mixed $value): \Illuminate\Testing\TestResponse => $this->ask($own, 'POST', '/api/start-proposals', self::opening([$field => $value]))->assertOk();
        $start('risks', [['key' => 'fluoroquinolone', 'taken_on' => '2026-01-15']])->assertJsonPath('rung', 'easiest')->assertJsonPath('risks.0.counts', true);
        $start('risks', [['key' => 'fluoroquinolone', 'taken_on' => '2026-02-27']])->assertJsonPath('rung', 'middle')->assertJsonPath('risks.0.counts', false);
        $start('equipment', [])->assertJsonPath('choices.0.exercise', 'wall_sit_high')
            ->assertJsonPath('choices.0.reasons.0', 'No leg extension at hand: Wall sit, high in place of Leg-extension hold at 60°, loading the kneecap tendon together with others.');
        // Another exercise in one click, other programmes beside it.
        $start('exercises', ['ext_hold' => 'straight_leg_lift'])->assertJsonPath('choices.0.exercise', 'straight_leg_lift')->assertJsonFragment(['title' => 'Heavy holds']);
        // An earlier episode is shown.
        $juno = $this->caseOf('Juno Tamsin');
        $juno->update(['closed_on' => '2026-04-13']);
        $again = self::text($this->ask($own, 'POST', '/api/cases', self::opening(['athlete' => ['id' => $juno->athlete_id]]))->assertStatus(201)->json('id'));
        $this->ask($own, 'GET', "/api/cases/$again")->assertJsonPath('earlier.0.id', $juno->id);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function unsound(): iterable
    {
        yield 'a mass of 7 kg' => [['athlete' => ['name' => 'Odile', 'body_mass_kg' => 7, 'email' => 'odile@ropewalk.example']], 'athlete.body_mass_kg', 'Body mass must be from 20 to 300.'];
        yield 'no address' => [['athlete' => ['name' => 'Odile', 'body_mass_kg' => 60, 'email' => 'odile']], 'athlete.email', 'must be an e-mail address'];
        yield 'an address in use' => [['athlete' => ['name' => 'Odile', 'body_mass_kg' => 60, 'email' => 'juno.tamsin@ropewalk.example']], 'athlete.email', 'is used to sign in already'];
        yield 'a goal of yesterday' => [['goal_on' => '2026-04-13'], 'goal_on', 'must not lie before today'];
        yield 'pain that begins tomorrow' => [['began_on' => '2026-04-15'], 'began_on', 'must not lie in the future'];
        yield 'a medicine of tomorrow' => [['risks' => [['key' => 'fluoroquinolone', 'taken_on' => '2026-04-15']]], 'risks.0.taken_on', 'must not lie in the future'];
        yield 'pain of 11' => [['rest' => 11], 'rest', 'Pain at rest must be from 0 to 10.'];
        yield 'no screening' => [['screened' => false], 'screened', 'must be signed'];
        yield 'no day' => [['available' => []], 'available', 'at least one day'];
        yield 'no such date' => [['events' => ['2026-02-30']], 'events.0', 'does not exist'];
        yield 'an event gone by' => [['events' => ['2026-04-01']], 'events.0', 'must not lie before today'];
        yield 'no such programme' => [['programme' => 'none'], 'programme', 'must name a programme'];
        yield 'a programme for another structure' => [['programme' => 'heel_paced'], 'programme', 'not meant for this structure'];
        yield 'a stage that does not apply' => [['goal' => 'everyday', 'stage' => 'springs'], 'stage', 'applies to the goal'];
        yield 'a score outside its range' => [['severity' => ['name' => 'Knee score', 'lowest' => 0, 'highest' => 50, 'higher_is_better' => true, 'score' => 60]], 'severity.score', 'from 0 to 50'];
        yield 'an exercise that is none' => [['exercises' => ['ext_hold' => 'nothing']], 'exercises.ext_hold', 'must name an exercise'];
    }

    /** @param array<string, mixed> $spoilt */
    #[DataProvider('unsound')]
    public function testAnUnsoundIntakeIsRefusedAtItsFieldAndNothingIsStored(array $spoilt, string $field, string $message): void
    {
        $before = [DB::table('cases')->count(), DB::table('athletes')->count(), DB::table('users')->count()];
        $refused = $this->ask($this->practitioner(), 'POST', '/api/cases', self::opening($spoilt))->assertStatus(422);
        $refused->assertJsonValidationErrors([$field => $message]);
        self::assertSame($before, [DB::table('cases')->count(), DB::table('athletes')->count(), DB::table('users')->count()]);
    }

    public function testAnOpeningIsLeftAndTakenUpAgain(): void
    {
        $own = $this->practitioner();
        $form = ['name' => 'Odile Marsh', 'rest' => 'eleven', 'signs' => ['night' => ''], 'exercises' => (object) []];
        $id = self::text($this->ask($own, 'POST', '/api/openings', ['step' => 2, 'form' => $form])->assertStatus(201)->json('id'));
        $this->ask($own, 'GET', '/api/openings')->assertJsonPath('openings.0.name', 'Odile Marsh');
        $this->ask($own, 'PUT', "/api/openings/$id", ['step' => 5, 'form' => ['rest' => '2'] + $form])->assertOk();
        $this->ask($own, 'GET', "/api/openings/$id")->assertJsonPath('step', 5)->assertJsonPath('form.rest', '2')->assertJsonPath('form.signs.night', '');
        // A map without entries stays a map.
        self::assertStringContainsString('"exercises":{}', (string) $this->ask($own, 'GET', "/api/openings/$id")->getContent());
        self::assertSame('took up an opening', AccessLogEntry::query()->orderByDesc('id')->firstOrFail()->what);

        // Discarded, and brought back by saving it again.
        $this->ask($own, 'DELETE', "/api/openings/$id")->assertOk();
        $this->ask($own, 'GET', '/api/openings')->assertJsonCount(0, 'openings');
        $this->ask($own, 'PUT', "/api/openings/$id", ['step' => 5, 'form' => $form])->assertOk();
        $this->ask($own, 'GET', '/api/openings')->assertJsonCount(1, 'openings');
        $this->ask($own, 'POST', '/api/openings', ['step' => 1, 'form' => ['history' => str_repeat('x', 70_000)]])->assertStatus(422)->assertJsonValidationErrors(['form']);
    }
}
