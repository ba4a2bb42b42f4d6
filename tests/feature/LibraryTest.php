<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;

/** The practice's own library: copied, changed under the same checks, in versions, and exported and imported as a file. */
final class LibraryTest extends TestCase
{
    public function testTheLibraryIsSearchedAndCompared(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'GET', '/api/library')
            ->assertOk()
            ->assertJsonCount(18, 'structures')
            ->assertJsonCount(22, 'programmes')
            ->assertJsonCount(9, 'rules');
        $found = $this->ask(
            $own,
            'GET',
            '/api/library/search?q=' . rawurlencode('Achilles, no equipment, hold'),
        )->assertOk();
        self::assertSame(['calf_hold_two', 'calf_hold_bent', 'calf_hold_one'], $found->json('exercises'));
        $compared = $this->ask($own, 'GET', '/api/library/compare?kind=rule&a=low&b=heavy')->assertOk();
        self::assertContains(
            ['point' => 'Loading stops', 'a' => 'at 6 of 10', 'b' => 'at 8 of 10', 'differs' => true],
            (array) $compared->json('points'),
        );
        $this->ask($own, 'GET', '/api/library/compare?kind=programme&a=heel_paced&b=nothing')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['b']);
        $this->ask($own, 'GET', '/api/library/compare?kind=exercise&a=squat&b=box_squat')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['kind']);
    }

    public function testACopyIsChangedUnderTheSameChecks(): void
    {
        $own = $this->practitioner();
        $copied = $this->ask($own, 'POST', '/api/library/items', ['kind' => 'rule', 'key' => 'low'])->assertStatus(201);
        self::assertSame('our_low', $copied->json('key'));
        $item = $this->ask($own, 'GET', '/api/library/items/rule/our_low')
            ->assertOk()
            ->assertJsonPath('versions.0.based_on', 'low');
        $content = (array) $item->json('content');
        $limits = (array) $content['limits'];
        $save = fn(array $limits, int $version): \Illuminate\Testing\TestResponse => $this->ask(
            $own,
            'PUT',
            '/api/library/items/rule/our_low',
            ['version' => $version, 'content' => ['limits' => $limits] + $content],
        );

        $save(['stop_at' => 9] + $limits, 1)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['limits.stop_at' => 'Stop at must be 8 at most']);
        $save(['during_max' => 3] + $limits, 1)
            ->assertOk()
            ->assertJsonPath('version', 2);
        $save(['during_max' => 4] + $limits, 1)->assertStatus(409);
        $this->ask($own, 'GET', '/api/library/items/rule/our_low')
            ->assertJsonPath('content.limits.during_max', 3)
            ->assertJsonCount(2, 'versions');
        $this->ask($own, 'PUT', '/api/library/items/rule/low', ['version' => 1, 'content' => $content])->assertStatus(
            404,
        );

        // Withdrawn, unless something needs it.
        $this->ask($own, 'POST', '/api/library/items', ['kind' => 'programme', 'key' => 'cuff_raise'])->assertStatus(
            201,
        );
        $programme = (array) $this->ask($own, 'GET', '/api/library/items/programme/our_cuff_raise')->json('content');
        $this->ask($own, 'PUT', '/api/library/items/programme/our_cuff_raise', [
            'version' => 1,
            'content' => ['rule' => 'our_low'] + $programme,
        ])->assertOk();
        $this->ask($own, 'DELETE', '/api/library/items/rule/our_low')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['key' => 'is needed elsewhere']);
        $this->ask($own, 'DELETE', '/api/library/items/programme/our_cuff_raise')->assertOk();
        $this->ask($own, 'DELETE', '/api/library/items/rule/our_low')->assertOk();
        $this->ask($own, 'GET', '/api/library')->assertJsonCount(9, 'rules')->assertJsonCount(22, 'programmes');
    }

    public function testACaseKeepsTheVersionThatItWasGiven(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'POST', '/api/library/items', [
            'kind' => 'exercise',
            'key' => 'leg_extension_hold',
        ])->assertStatus(201);
        $this->ask($own, 'POST', '/api/library/items', [
            'kind' => 'programme',
            'key' => 'knee_four_stage',
        ])->assertStatus(201);
        $programme = (array) $this->ask($own, 'GET', '/api/library/items/programme/our_knee_four_stage')->json(
            'content',
        );
        $text = str_replace(
            '"leg_extension_hold"',
            '"our_leg_extension_hold"',
            json_encode($programme, JSON_THROW_ON_ERROR),
        );
        $this->ask($own, 'PUT', '/api/library/items/programme/our_knee_four_stage', [
            'version' => 1,
            'content' => json_decode($text, true),
        ])->assertOk();
        $opened = $this->ask(
            $own,
            'POST',
            '/api/cases',
            OpeningTest::opening(['programme' => 'our_knee_four_stage']),
        )->assertStatus(201);
        $case = CareCase::query()->findOrFail(self::text($opened->json('id')));
        self::assertSame(2, $case->programme_version);

        $content = (array) $this->ask($own, 'GET', '/api/library/items/exercise/our_leg_extension_hold')->json(
            'content',
        );
        $this->ask($own, 'PUT', '/api/library/items/exercise/our_leg_extension_hold', [
            'version' => 1,
            'content' => ['title' => 'Renamed since'] + $content,
        ])->assertOk();
        $this->ask($own, 'GET', "/api/cases/$case->id")->assertJsonPath(
            'prescriptions.0.title',
            'Leg-extension hold at 60°, our own',
        );
    }

    public function testAFileIsTakenInWholeOrNotAtAll(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'POST', '/api/library/items', ['kind' => 'ladder', 'key' => 'calf_holds'])->assertStatus(201);
        $file = (array) $this->ask($own, 'GET', '/api/library/file')->assertOk()->json();
        self::assertSame('rung-library/1', $file['format']);
        $ladder = ((array) $file['ladders'])[0];
        self::assertIsArray($ladder);

        $broken = array_replace_recursive($ladder, [
            'rungs' => [2 => ['demand' => 1], 3 => ['exercise' => 'nowhere'], 4 => ['changes' => null]],
        ]);
        $this->ask(
            $own,
            'POST',
            '/api/library/file',
            ['ladders' => [['key' => 'our_sound'] + $ladder, ['key' => 'our_broken'] + $broken]] + $file,
        )
            ->assertStatus(422)
            ->assertJsonValidationErrors([
                'ladders.1.rungs.2.demand' => 'must be over the 2 of the rung below',
                'ladders.1.rungs.3.exercise' => 'is no exercise of the library',
                'ladders.1.rungs.4.changes' => 'must say what is harder',
            ]);
        $this->ask($own, 'POST', '/api/library/file', ['ladders' => [['key' => 'calf_holds'] + $ladder]] + $file)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['ladders.0.key' => 'ships with Rung']);
        $this->ask($own, 'POST', '/api/library/file', ['format' => 'other'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['format']);
        $this->ask($own, 'GET', '/api/library')->assertJsonCount(
            count(\Tests\Core\Support::catalogue()->ladders) + 1,
            'ladders',
        );

        // What was exported comes in again as a new version.
        $this->ask(
            $own,
            'POST',
            '/api/library/file',
            ['ladders' => [['title' => 'Calf holds as we do them'] + $ladder]] + $file,
        )
            ->assertStatus(201)
            ->assertJsonPath('items', 1);
        $this->ask($own, 'GET', '/api/library/items/ladder/our_calf_holds')
            ->assertJsonPath('version', 2)
            ->assertJsonPath('title', 'Calf holds as we do them');
        // It is shown first what it would change; what is there just so already makes no version.
        $rule =
            ['key' => 'our_other', 'title' => 'Another'] +
            (array) $this->ask($own, 'GET', '/api/library/items/rule/low')->json('content');
        $again =
            ['ladders' => [['title' => 'Calf holds as we do them'] + $ladder], 'response_rules' => [$rule]] + $file;
        $changes = $this->ask($own, 'POST', '/api/library/file/changes', $again)->assertOk();
        self::assertSame(
            [['our_calf_holds', 'same'], ['our_other', 'new']],
            array_map(null, (array) $changes->json('changes.*.key'), (array) $changes->json('changes.*.what')),
        );
        $this->ask($own, 'GET', '/api/library/items/rule/our_other')->assertStatus(404);
        $this->ask(
            $own,
            'POST',
            '/api/library/file',
            ['ladders' => [['title' => 'Calf holds as we do them'] + $ladder]] + $file,
        )
            ->assertStatus(201)
            ->assertJsonPath('items', 0);
        $this->ask($own, 'GET', '/api/library/items/ladder/our_calf_holds')->assertJsonPath('version', 2);
        $this->ask($own, 'POST', '/api/library/file/changes', $file)
            ->assertOk()
            ->assertJsonPath('changes.0.what', 'changed');
        $this->ask($own, 'POST', '/api/library/file/changes', ['format' => 'other'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['format']);
    }

    public function testHowAProgrammeGoesIsPlayedForTwo(): void
    {
        $own = $this->practitioner();
        $course = $this->ask(
            $own,
            'GET',
            '/api/library/programmes/knee_four_stage/course?structure=patellar_tendon',
        )->assertOk();
        self::assertSame(['steady', 'slow'], $course->json('athletes.*.key'));
        self::assertSame(
            ['Holds', 'Slow strength', 'Springs', 'Back to the act'],
            $course->json('athletes.0.stages.*.title'),
        );
        self::assertIsInt($course->json('athletes.0.ended_week'));
        self::assertGreaterThan(
            $course->json('athletes.0.ended_week'),
            $course->json('athletes.1.ended_week') ?? 99,
            'who flares takes longer',
        );
        $titles = (array) $course->json('athletes.0.rows.*.title');
        $press = array_search('Leg press, one leg', $titles, true);
        self::assertIsInt($press);
        self::assertMatchesRegularExpression(
            '/^Leg press, one leg, 4 × \d+ at [\d.]+ kg, 10–\d+°$/',
            self::text($course->json("athletes.0.rows.$press.weeks.0.words")),
        );
        $this->ask($own, 'GET', '/api/library/programmes/knee_four_stage/course?structure=adductor')
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('structure');
        $this->ask($own, 'GET', '/api/library/programmes/nothing/course?structure=adductor')->assertStatus(404);

        // A practice's own programme is played as it is written there.
        $this->ask($own, 'POST', '/api/library/items', ['kind' => 'programme', 'key' => 'heel_paced'])->assertStatus(
            201,
        );
        $this->ask($own, 'GET', '/api/library/programmes/our_heel_paced/course?structure=achilles_midportion')
            ->assertOk()
            ->assertJsonPath('athletes.0.stages.0.title', 'Paced raises');
    }
}
